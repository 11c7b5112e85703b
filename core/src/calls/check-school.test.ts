import { checkSchool } from './check-school.ts';
import type { School } from './school.ts';
import { SCHOOLS } from './schools.ts';

it.each(SCHOOLS.map((school) => [school.id, school] as const))(
  '%s of the practice book is sound',
  (_id, school) => {
    expect(() => checkSchool(school)).not.toThrow();
    // A copy goes through a database as JSON.
    expect(() => checkSchool(JSON.parse(JSON.stringify(school)) as School)).not.toThrow();
  },
);

const school = SCHOOLS[0]!;
it.each<[string, Partial<School>, RegExp]>([
  ['a role without a grip', { ladder: { ...school.ladder, top: [] } }, /^ladder\.top must be at least one/],
  [
    'a grip named twice',
    { ladder: { ...school.ladder, top: ['hook', 'hook'] } },
    /^ladder\.top must be an order/,
  ],
  ['rest the wrong way round', { hold: { ...school.hold, rest: [300, 180] } }, /^hold\.rest/],
  ['a rest of three figures', { hold: { ...school.hold, rest: [60, 90, 120] as never } }, /^hold\.rest/],
  ['a rest of one figure', { hold: { ...school.hold, rest: [60] as never } }, /^hold\.rest/],
  ['no name', { name: ' ' }, /^name/],
  ['an unknown step', { ladder: { ...school.ladder, top: ['claw' as 'hook'] } }, /^ladder\.top\[0\]/],
])('refuses %s', (_name, more, message) => {
  expect(() => checkSchool({ ...school, ...more })).toThrow(message);
});

it('a rest may be of one length', () => {
  expect(() => checkSchool({ ...school, hold: { ...school.hold, rest: [120, 120] } })).not.toThrow();
});
