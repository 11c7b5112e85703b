/** The four shares of the API's tests, and the files whose bytes say too little of their time, with how many times. */
export const SHARES = {
  of: 4,
  heavy: {
    'test/fuzz': 4,
    'test/exports': 2,
    'test/reference': 4,
    'test/back-tests': 4,
    'test/demo': 2,
    'test/api-tokens': 2,
    'test/holds': 0.8,
    'test/copies': 0.6,
  },
};
