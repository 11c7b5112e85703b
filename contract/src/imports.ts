import {
  DAY_ORDERS,
  FILE_KINDS,
  LONGEST_TABLE,
  MASS_UNITS,
  NO_GRIP_CHOICES,
  type DayOrder,
  type FileColumns,
  type FileKind,
  type MassUnit,
  type NoGripChoice,
} from '@iron-clasp/core';
import { Id, Nullable, OneOf, Optional, Part, Parts, Secret, Text, Whole } from './fields.ts';

const COLUMN = 'Each field is a column of the file, counted from 0.';
const Column = (): PropertyDecorator => Whole({ min: 0, max: 59 }, COLUMN);

/** Which column holds what; what is left out the file does not say. Which are needed depends on what the file tells of. */
export class FileColumnsBody implements FileColumns {
  @Optional()
  @Column()
  day?: number;

  @Optional()
  @Column()
  lifter?: number;

  @Optional()
  @Column()
  lift?: number;

  @Optional()
  @Column()
  load?: number;

  @Optional()
  @Column()
  reps?: number;

  @Optional()
  @Column()
  seconds?: number;

  @Optional()
  @Column()
  sets?: number;

  @Optional()
  @Column()
  grip?: number;

  @Optional()
  @Column()
  straps?: number;

  @Optional()
  @Column()
  chalk?: number;

  @Optional()
  @Column()
  slipped?: number;

  @Optional()
  @Column()
  best?: number;

  @Optional()
  @Column()
  bodyMass?: number;

  @Optional()
  @Column()
  sport?: number;

  @Optional()
  @Column()
  gripper?: number;

  @Optional()
  @Column()
  hand?: number;

  @Optional()
  @Column()
  closed?: number;

  @Optional()
  @Column()
  gap?: number;

  @Optional()
  @Column()
  force?: number;

  @Optional()
  @Column()
  note?: number;
}

/** Who a name of the file is; null leaves their rows out. */
export class NamedLifterBody {
  /** As the file writes it; empty where it has no column for it. */
  @Text(200, 'A name of the file is at most 200 characters.', 0)
  name: string;

  @Nullable()
  @Id('Choose a lifter of the club.')
  lifterId?: string | null;
}

/** A table, and how it is to be read. */
export class FileImportRequest {
  @OneOf(FILE_KINDS, 'Say what the file tells of.')
  kind: FileKind;

  /** The file as text. */
  @Secret(1, LONGEST_TABLE, 'Choose a file, or paste the rows.')
  text: string;

  /** What the list of imports calls it. */
  @Text(200, 'A file’s name is at most 200 characters.', 0)
  name: string;

  @Part(() => FileColumnsBody, COLUMN)
  columns: FileColumnsBody;

  @OneOf(MASS_UNITS, 'Unit must be kg or lb.')
  unit: MassUnit;

  @OneOf(DAY_ORDERS, 'Say whether the day or the month is written first.')
  order: DayOrder;

  @OneOf(NO_GRIP_CHOICES, 'Say what is made of pulls of which the file says no grip.')
  noGrip: NoGripChoice;

  /** Of past training, where it was done: its bar and chalk stand for what the file does not say. */
  @Optional()
  @Id('Choose a venue.')
  venueId?: string;

  /** Of squeeze scores, how they were taken; left out, as tests are taken where the club has no protocol of its own. */
  @Optional()
  @Id('Choose a protocol.')
  protocolId?: string;

  @Parts(() => NamedLifterBody, { max: 500, message: 'Say who each name of the file is.' })
  lifters: NamedLifterBody[];
}

export interface ImportFault {
  readonly line: number;
  readonly fault: string;
}

/** What an import would do, or did. */
export interface ImportPreview {
  readonly rows: number;
  /** What would be added, counted as its kind is: sets, lifters, attempts, tests; what is there already is not. */
  readonly things: number;
  readonly known: number;
  /** Days on which it was done; none for lifters. */
  readonly days: number;
  readonly lifters: number;
  readonly from: string | null;
  readonly to: string | null;
  /** The first of the rows that are left out, with why. */
  readonly faults: readonly ImportFault[];
  readonly leftOut: number;
}

export interface ImportView {
  readonly id: string;
  readonly kind: FileKind;
  readonly name: string;
  readonly by: string;
  readonly at: string;
  readonly things: number;
  readonly days: number;
  readonly undone: { readonly by: string; readonly at: string } | null;
}

export interface ImportsView {
  readonly imports: readonly ImportView[];
}

export interface ImportDone {
  readonly done: ImportPreview;
  readonly imports: readonly ImportView[];
}

/** How far an import has come, in rows of its tables. */
export interface ImportProgress {
  readonly done: number;
  readonly of: number;
}

/** Null before its first rows are in. */
export interface ImportProgressView {
  readonly progress: ImportProgress | null;
}
