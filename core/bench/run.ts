import { benchCoverage } from './coverage.ts';
import { benchGrippers } from './grippers.ts';
import { benchMoving } from './moving.ts';
import { benchSqueeze } from './squeeze.ts';
import { benchSpeed } from './speed.ts';

/** What the core promises of speed and honesty, measured: `npm run bench -w @iron-clasp/core`. */
benchSpeed();
benchCoverage();
benchMoving();
benchSqueeze();
benchGrippers();
