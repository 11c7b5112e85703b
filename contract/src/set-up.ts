import { LIMITS, VENUE_PRESET_IDS, type VenuePresetId } from '@iron-clasp/core';
import { ClubBody, NewPassword } from './accounts.ts';
import { Amount, Email, Id, OneOf, Part, Parts, Text } from './fields.ts';

/** Lifters that a club starts with at most; more come in later. */
export const MOST_FIRST_LIFTERS = 200;

const ID = 'The page has to be reloaded: an id is missing.';

export class FirstClubBody extends ClubBody {
  @Id(ID)
  id: string;
}

export class FirstOwnerBody {
  @Id(ID)
  id: string;

  @Text(120, 'Your name is 1 to 120 characters.')
  name: string;

  @Email('Type the e-mail address you will sign in with.')
  email: string;

  @NewPassword()
  password: string;
}

export class FirstVenueBody {
  @Id(ID)
  id: string;

  @Text(120, 'The venue’s name is 1 to 120 characters.')
  name: string;

  @OneOf(VENUE_PRESET_IDS, 'Choose the kind of room.')
  preset: VenuePresetId;
}

export class FirstLifterBody {
  @Id(ID)
  id: string;

  @Text(120, 'Name must be 1 to 120 characters.')
  name: string;

  /** kg. */
  @Amount(LIMITS.best, `Best deadlift must be a number from ${LIMITS.best.min} to ${LIMITS.best.max} kg.`)
  deadliftMax: number;
}

/** Starts from the export of a club that is sent with it, and chooses a password for one of its owners. */
export class BringClubRequest {
  @Email('Type the e-mail address of an owner of the club.')
  email: string;

  @NewPassword()
  password: string;
}

/** Starts a club where there is none yet: all of it or nothing. Sent again under the same ids it signs in. */
export class SetUpRequest {
  /** The code that the terminal shows. */
  @Text(40, 'Type the code that the terminal shows.')
  code: string;

  @Part(() => FirstClubBody, 'Say what the club is called and where its days are counted.')
  club: FirstClubBody;

  @Part(() => FirstOwnerBody, 'Say who owns the club.')
  owner: FirstOwnerBody;

  @Part(() => FirstVenueBody, 'Say where you train.')
  venue: FirstVenueBody;

  @Parts(() => FirstLifterBody, { max: MOST_FIRST_LIFTERS, message: 'Lifters are a list.' })
  lifters: FirstLifterBody[];
}
