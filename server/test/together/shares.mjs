/** The four shares of the API's tests, and the files whose bytes say too little or too much of their time, with how many times. */
export const SHARES = {
  of: 4,
  heavy: {
    'test/fuzz': 5,
    'test/exports': 2,
    'test/reference': 3,
    'test/back-tests': 3.5,
    'test/api-tokens': 1.7,
    'test/demo': 1.4,
    'test/backups': 1.4,
    'test/holds': 0.6,
    'test/people': 0.4,
    'test/first-day': 0.4,
    'test/floor': 0.4,
    'test/programs': 0.4,
    'test/access': 0.6,
    'test/copies': 0.4,
  },
};
