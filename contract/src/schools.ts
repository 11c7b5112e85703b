import { IsInt, IsObject, IsString, MaxLength, Min } from 'class-validator';
import type { School } from '@iron-clasp/core';

/** A club's own copy of a school, as it is now; the core says what of it cannot be used. */
export class SchoolRequest {
  /** The school of the practice book it was copied from. */
  @IsString({ message: 'Name the school that is copied.' })
  @MaxLength(60, { message: 'Name the school that is copied.' })
  basedOn: string;

  /** The version the editor was drawn from; 0 for a new copy. */
  @IsInt()
  @Min(0)
  version: number;

  @IsObject({ message: 'Say what the school does.' })
  school: School;
}

/** A club's own copy of a school. */
export interface ClubSchoolView {
  readonly id: string;
  readonly version: number;
  readonly basedOn: string;
  readonly archived: boolean;
  readonly school: School;
  /** Lifters on the rack who follow it. */
  readonly followers: number;
  readonly changedBy: string | null;
  readonly changedAt: string | null;
}

/** What the club's own logs say about a point on which schools disagree. */
export interface PointEvidence {
  readonly pointId: string;
  /** What was found, with its doubt, or why nothing can be said yet. */
  readonly found: string;
  /** How many sets, holds or lifters stand behind it. */
  readonly behind: string;
  readonly speaksFor: string | null;
}

export interface SchoolsView {
  readonly own: readonly ClubSchoolView[];
  readonly evidence: readonly PointEvidence[];
}
