import { benchCoverage } from './coverage.ts';
import { benchSpeed } from './speed.ts';

/** What the core promises of speed and honesty, measured: `npm run bench -w @iron-clasp/core`. */
benchSpeed();
benchCoverage();
