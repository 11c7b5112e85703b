import 'reflect-metadata';
import {
  CHALK_KINDS,
  ENDINGS,
  GRIP_CHOICES,
  GRIPS,
  HOOK_STAGES,
  MASS_UNITS,
  SIDES,
  SOUND_HAND,
} from '@iron-clasp/core';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import {
  ArchiveRequest,
  HandsCheckRequest,
  LifterRequest,
  LogHoldRequest,
  LogSetRequest,
  MoveSessionRequest,
  OverrideRequest,
  PreferencesRequest,
  SignInRequest,
  WhatIfRequest,
} from './index.ts';

/** The fields that are refused, with their first message. */
function refused<Body extends object>(type: new () => Body, body: object): Record<string, string> {
  const errors = validateSync(plainToInstance(type, body), {
    whitelist: true,
    forbidNonWhitelisted: true,
  });
  return Object.fromEntries(
    errors.map((error) => [error.property, Object.values(error.constraints ?? {})[0] ?? '']),
  );
}

const hold = {
  load: 116,
  seconds: 10,
  target: 10,
  ended: 'stopped',
  grip: 'hook',
  chalk: 'block',
  doneAt: '2026-11-24T11:00:00Z',
};
const set = {
  plannedSetId: 'c94dcc90-150d-4747-80f1-05a5e8217aad',
  load: 125,
  reps: 3,
  grip: 'mixed',
  sideUnder: 'left',
  strapped: false,
  chalk: 'liquid',
  doneAt: '2026-11-24T11:00:00.123Z',
};

describe('a hold', () => {
  it('is taken as a person would log it', () => {
    expect(refused(LogHoldRequest, hold)).toEqual({});
    expect(
      refused(LogHoldRequest, { ...hold, grip: 'mixed', sideUnder: 'left', note: 'knurl is worn' }),
    ).toEqual({});
    expect(refused(LogHoldRequest, { ...hold, load: 1, seconds: 0.5 })).toEqual({});
    expect(refused(LogHoldRequest, { ...hold, load: 600, seconds: 600 })).toEqual({});
  });

  it.each([
    [{ load: -0.1 }, 'load', /from 1 to 600 kg\. Check the figure and the unit/],
    [{ load: 600.1 }, 'load', /from 1 to 600 kg/],
    [{ load: '116' }, 'load', /must be a number/],
    [{ load: Number.NaN }, 'load', /must be a number/],
    [{ load: undefined }, 'load', /must be a number/],
    [{ seconds: 0 }, 'seconds', /from 0.5 to 600/],
    [{ seconds: 10_000 }, 'seconds', /Longer than ten minutes is not one hold/],
    [{ seconds: Infinity }, 'seconds', /must be a number/],
    [{ ended: 'dropped' }, 'ended', /slipped, put down on purpose, or not broken/],
    [{ grip: 'straps' }, 'grip', /double overhand, mixed or hook/],
    [{ chalk: 'powder' }, 'chalk', /block, liquid or none/],
    [{ sideUnder: 'both' }, 'sideUnder', /left or right/],
    [{ doneAt: '24.11.2026' }, 'doneAt', /not a date and time/],
    [{ note: 'x'.repeat(501) }, 'note', /500 characters/],
    [{ approvedBy: 'me' }, 'approvedBy', /should not exist/],
  ])('refuses %j at its field, in words', (more, field, message) => {
    const found = refused(LogHoldRequest, { ...hold, ...more });
    expect(Object.keys(found)).toEqual([field]);
    expect(found[field]).toMatch(message);
  });
});

describe('a set', () => {
  it('is taken as a person would log it', () => {
    expect(refused(LogSetRequest, set)).toEqual({});
    expect(refused(LogSetRequest, { ...set, slippedAtRep: 2 })).toEqual({});
  });

  it.each([
    [{ plannedSetId: '17' }, 'plannedSetId', /Name the planned set/],
    [{ reps: 0 }, 'reps', /at least one repetition/],
    [{ reps: 2.5 }, 'reps', /whole number/],
    [{ reps: 101 }, 'reps', /not one set/],
    [{ strapped: 'no' }, 'strapped', /whether straps were used/],
    [{ slippedAtRep: 0.5 }, 'slippedAtRep', /whole number/],
  ])('refuses %j', (more, field, message) => {
    expect(refused(LogSetRequest, { ...set, ...more })[field]).toMatch(message);
  });
});

describe('the rest', () => {
  it('signing in wants an address and a password', () => {
    expect(refused(SignInRequest, { email: 'maren@tarnquay.example', password: 'x' })).toEqual({});
    expect(refused(SignInRequest, { email: 'maren', password: '' })).toEqual({
      email: 'Type the e-mail address you signed up with.',
      password: 'Type your password.',
    });
    expect(refused(SignInRequest, { email: { $ne: '' }, password: ['x'] })).toMatchObject({
      email: expect.any(String),
      password: expect.any(String),
    });
  });

  it('preferences may be left out but not made up', () => {
    expect(refused(PreferencesRequest, {})).toEqual({});
    expect(refused(PreferencesRequest, { unit: 'lb', theme: 'dark' })).toEqual({});
    expect(Object.keys(refused(PreferencesRequest, { unit: 'stone', theme: 'neon' }))).toEqual([
      'unit',
      'theme',
    ]);
  });

  it('moving a session wants the version that the page saw', () => {
    expect(refused(MoveSessionRequest, { venueId: set.plannedSetId, version: 1 })).toEqual({});
    expect(Object.keys(refused(MoveSessionRequest, { venueId: set.plannedSetId }))).toEqual(['version']);
    expect(Object.keys(refused(MoveSessionRequest, { venueId: 'home', version: 0 }))).toEqual([
      'venueId',
      'version',
    ]);
  });
});

const decision = {
  plannedSetIds: [set.plannedSetId],
  choice: 'mixed',
  sideUnder: 'left',
  reason: 'as in the meet',
};
const person = { name: 'Asta', sport: 'weightlifting', deadliftMax: 120, version: 0 };

describe('decisions, trials and people', () => {
  it.each([
    [{}, []],
    [{ sideUnder: undefined }, []],
    [{ plannedSetIds: [] }, ['plannedSetIds']],
    [{ plannedSetIds: [set.plannedSetId, set.plannedSetId] }, ['plannedSetIds']],
    [{ plannedSetIds: ['first'] }, ['plannedSetIds']],
    [{ choice: 'teeth', sideUnder: 'up' }, ['choice', 'sideUnder']],
    [{ reason: 'no' }, ['reason']],
    [{ reason: 'x'.repeat(301) }, ['reason']],
  ])('a decision with %j', (more, fields) => {
    expect(Object.keys(refused(OverrideRequest, { ...decision, ...more }))).toEqual(fields);
  });

  const HANDS = { left: SOUND_HAND, right: SOUND_HAND };

  it.each([
    [{}, []],
    [{ venueId: set.plannedSetId, chalk: 'none', barDiameter: 32, meetRules: true, hands: HANDS }, []],
    [{ hands: {} }, ['hands']],
    [
      { chalk: 'flour', barDiameter: 500, meetRules: 'yes', hands: 'sore' },
      ['chalk', 'barDiameter', 'meetRules', 'hands'],
    ],
  ])('what if %j', (body, fields) => {
    expect(Object.keys(refused(WhatIfRequest, body))).toEqual(fields);
  });

  it('a hands check wants both hands and when they were looked at', () => {
    const hands = { left: SOUND_HAND, right: SOUND_HAND };
    expect(refused(HandsCheckRequest, { hands, checkedAt: hold.doneAt })).toEqual({});
    expect(Object.keys(refused(HandsCheckRequest, { checkedAt: 'now' }))).toEqual(['hands', 'checkedAt']);
  });

  it.each([
    [{}, []],
    [{ unit: 'lb', dominantHand: 'left', stance: 'sumo', trainingSince: '2024-01-01', history: [] }, []],
    [{ sportWords: '', largeThighs: true }, []],
    [
      { sport: 'Weightlifting', stance: 'sumo, large thighs', largeThighs: 'a bit' },
      ['sport', 'stance', 'largeThighs'],
    ],
    [{ name: '', deadliftMax: 19 }, ['name', 'deadliftMax']],
    [{ deadliftMax: Number.NaN, version: -1 }, ['deadliftMax', 'version']],
    [
      { trainingSince: 'yore', hookStage: 'master', history: 'long' },
      ['trainingSince', 'hookStage', 'history'],
    ],
  ])('a lifter with %j', (more, fields) => {
    expect(Object.keys(refused(LifterRequest, { ...person, ...more }))).toEqual(fields);
  });

  it('archiving wants the version that was seen', () => {
    expect(refused(ArchiveRequest, { archived: true, version: 3 })).toEqual({});
    expect(Object.keys(refused(ArchiveRequest, { archived: 'yes' }))).toEqual(['archived', 'version']);
  });
});

it('takes every value of the core’s own lists', () => {
  for (const choice of GRIP_CHOICES) expect(refused(OverrideRequest, { ...decision, choice })).toEqual({});
  for (const hookStage of HOOK_STAGES) expect(refused(LifterRequest, { ...person, hookStage })).toEqual({});
  for (const grip of GRIPS) expect(refused(LogHoldRequest, { ...hold, grip })).toEqual({});
  for (const chalk of CHALK_KINDS) expect(refused(LogHoldRequest, { ...hold, chalk })).toEqual({});
  for (const ended of ENDINGS) expect(refused(LogHoldRequest, { ...hold, ended })).toEqual({});
  // What was never lifted lasted no time.
  expect(refused(LogHoldRequest, { ...hold, ended: 'notLifted', seconds: 0 })).toEqual({});
  for (const sideUnder of SIDES) expect(refused(LogHoldRequest, { ...hold, sideUnder })).toEqual({});
  for (const unit of MASS_UNITS) expect(refused(PreferencesRequest, { unit })).toEqual({});
});
