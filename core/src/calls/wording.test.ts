import { curveAround } from './fixtures.test-helper.ts';
import { setDemand } from '../set-demand/set-demand.ts';
import { findLift } from '../set-demand/lifts.ts';
import { evidenceReason, sayStanding, weakText } from './wording.ts';

type Evidence = Parameters<typeof evidenceReason>[0];

const said = (more: Partial<Evidence>): ReturnType<typeof evidenceReason> => {
  const reason = evidenceReason({
    ...{ curve: curveAround(150), role: 'top', grip: 'mixed', threshold: 0.8, verdict: 'called' },
    demand: setDemand({ lift: findLift('deadlift.conventional')!, load: 160, reps: 1 }),
    ...{ chance: 0.9, range: { low: 0.4, high: 0.95 }, near: 0 },
    ...more,
  } as Evidence);
  // Figures stay with their units in a line.
  return { ...reason, text: reason.text.replaceAll('\u00a0', ' ') };
};

it('a grip that is known is said with its chance beside what is asked', () => {
  expect(said({})).toMatchObject({ ruleId: 'evidence.clasp-curve', rank: 'evidence' });
  expect(said({}).text).toMatch(
    /^Mixed holds this set’s \d+ s with 90 % probability, at or above the 80 % asked of a top set; 45 /,
  );
  expect(said({ role: 'accessory' }).text).toContain('asked of an accessory set; ');
  expect(said({ chance: 0.8 }).text).toContain('80 % probability, at or above the 80 %');
  expect(said({ chance: 0.79, verdict: 'weak' }).text).toContain('79 % probability, below the 80 %');
});

it('a grip that is not known yet is said with its range, and with how little lies near the load', () => {
  const unproven = (near: number): string => said({ verdict: 'unproven', near }).text;
  expect(said({ verdict: 'unproven' }).ruleId).toBe('evidence.not-known-yet');
  expect(unproven(0)).toMatch(
    /^Not known yet: no logged hold near this load\. Mixed holds this set’s \d+ s with 40 % to 95 % probability, 80 % asked of a top set; /,
  );
  expect(unproven(1)).toMatch(/^Not known yet: one logged hold near this load\./);
  expect(unproven(9)).toMatch(/^Not known yet: 9 logged holds near this load\./);
  expect(unproven(10)).toMatch(/^Not known yet: 10 logged holds near this load leave it open\./);
});

it('where nothing is logged it says so, and what else there is', () => {
  const curve = curveAround(150);
  const behind = (best?: 'told' | 'assumed'): string =>
    said({
      curve: { ...curve, evidence: { ...curve.evidence, observations: 0, ...(best && { best }) } },
    }).text.split('; ')[1]!;
  expect(behind()).toBe('nothing logged behind it.');
  expect(behind('told')).toBe('nothing logged behind it but the best deadlift as it was pulled.');
  expect(behind('assumed')).toBe('nothing logged behind it but the best deadlift, its grip assumed.');
});

it('how firmly a call stands is said where it is in doubt, and only there', () => {
  const standing = (call: Partial<Parameters<typeof sayStanding>[0]>): string =>
    sayStanding({ verdict: 'called', threshold: 0.95, probability: 0.97, ...call } as never).replaceAll(
      '\u00a0',
      ' ',
    );
  expect(standing({})).toBe('');
  expect(standing({ verdict: 'free' })).toBe('');
  expect(standing({ verdict: 'weak' })).toBe('weak: 95 % is asked');
  expect(standing({ verdict: 'unproven' })).toBe('not known yet: no logged hold near this load');
  expect(standing({ verdict: 'unproven', near: 3 })).toBe('not known yet: 3 logged holds near this load');
  expect(() => standing({ verdict: 'sure' as never })).toThrow(/call\.verdict/);
  expect(() => standing({ verdict: 'unproven', near: -1 })).toThrow(/call\.near/);
});

it('a best deadlift is said to stand behind a chance, and whether its grip was told', () => {
  const withBest = (best?: 'told' | 'assumed'): string => {
    const curve = curveAround(150);
    return said({ curve: { ...curve, evidence: { ...curve.evidence, ...(best && { best }) } } }).text;
  };
  expect(withBest()).toMatch(/of them slips\.$/);
  expect(withBest('told')).toMatch(/of them slips, and the best deadlift as it was pulled\.$/);
  expect(withBest('assumed')).toMatch(/of them slips, and the best deadlift, its grip assumed\.$/);
});

it('a grip that stays below what is asked is said with both', () => {
  expect(weakText('hook', 0.62, 0.8).replaceAll('\u00a0', ' ')).toBe(
    'Hook holds with 62 % probability only; 80 % is asked for.',
  );
});
