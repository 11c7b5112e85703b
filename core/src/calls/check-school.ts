import { InvalidInputError } from '../errors.ts';
import { schoolCheck } from './check-call.ts';
import type { School } from './school.ts';
import { SET_ROLES } from './set-role.ts';

/**
 * Asserts that a school can be called by: every role has a grip order that names each step once, figures are in range,
 * and every reason says something.
 * @throws InvalidInputError naming the setting that cannot be used.
 * @example checkSchool(findSchool('overhand-first')) // undefined
 */
export function checkSchool(school: School): void {
  schoolCheck('', school);
  for (const role of SET_ROLES) {
    const steps = school.ladder[role];
    if (steps.length === 0) throw new InvalidInputError(`ladder.${role}`, 'at least one grip', steps);
    if (new Set(steps).size < steps.length)
      throw new InvalidInputError(`ladder.${role}`, 'an order that names each grip once', steps);
  }
  const { rest } = school.hold;
  if (rest.length !== 2 || rest[0]! > rest[1]!)
    throw new InvalidInputError('hold.rest', 'the shortest and the longest rest, in that order', rest);
  for (const [field, text] of [
    ['name', school.name],
    ['ladderReason', school.ladderReason],
    ['hold.reason', school.hold.reason],
  ] as const)
    if (text.trim() === '') throw new InvalidInputError(field, 'written out', text);
}
