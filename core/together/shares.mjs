/** The four shares of the core's tests, and the file whose bytes say too little of its time, with how many times. */
export const SHARES = { of: 4, heavy: { 'src/fuzz': 1.4 } };
