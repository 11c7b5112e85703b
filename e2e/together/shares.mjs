import { endOfFile } from '../src/browser.test-helper.ts';

/** The six shares of the browser tests, and the files whose bytes say too little or too much of their time, with how many times. */
export const SHARES = {
  of: 6,
  after: endOfFile,
  heavy: {
    'every-screen': 1.2,
    programs: 1.9,
    offline: 3,
    lifters: 2.1,
    faults: 1.9,
    processes: 3.7,
    'whole-job': 1.2,
    'club-work': 0.8,
    'first-day': 0.9,
    'floor.test': 0.7,
    'whole-session': 0.7,
    'read-and-print': 0.7,
    'own-club': 0.6,
    trouble: 0.6,
    'floor-fits': 0.6,
    decisions: 0.5,
    'device-and-server': 0.5,
  },
};
