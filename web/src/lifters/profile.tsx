import {
  HISTORY_KINDS,
  HOOK_STAGES,
  SCHOOLS,
  SIDES,
  type HistoryFlag,
  type HistoryKind,
  type SetRole,
} from '@iron-clasp/core';
import type { ProfileView } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import { useState, type FormEvent, type ReactElement, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { useArchive, useProfile, useSaveLifter } from '../api/queries.ts';
import { useUnit } from '../api/use-unit.ts';
import { Button } from '../parts/button.tsx';
import { Choices } from '../parts/choices.tsx';
import { Field } from '../parts/field.tsx';
import { Failed, Loading } from '../parts/states.tsx';
import { ROLE_WORDS } from '../parts/words.ts';
import { useOpenSheet } from '../sheet/sheet.tsx';
import { differences, draftOf, FIELD_NAMES, requestOf, type Draft } from './lifter-draft.ts';

const STANCES = ['conventional', 'sumo', 'sumo, large thighs', 'clean-grip'];
const HISTORY_WORDS: Record<HistoryKind, string> = {
  bicepsTendon: 'biceps tendon',
  shoulder: 'shoulder',
  elbowTendon: 'elbow tendon',
  thumbArthritis: 'thumb-joint arthritis',
  bloodPressure: 'blood pressure',
  fainting: 'fainting',
  heart: 'heart',
  recentOperation: 'recent operation',
  pregnancy: 'pregnancy',
  underEighteen: 'under 18',
};
const ASKED_ROLES: readonly SetRole[] = ['warmup', 'volume', 'backoff', 'accessory', 'top', 'attempt'];

/** Everything a coach may change about the lifter, and what was changed before. */
export function Profile(): ReactElement {
  const { lifter } = useOpenSheet();
  const profile = useProfile(lifter.id);
  if (profile.isPending) return <Loading what="the profile" lines={9} />;
  if (profile.error && !profile.data)
    return <Failed error={profile.error} retry={() => void profile.refetch()} />;
  return <Editor profile={profile.data!} reload={() => profile.refetch().then((found) => found.data)} />;
}

interface EditorProps {
  readonly profile: ProfileView;
  readonly reload: () => Promise<ProfileView | undefined>;
}

function Editor({ profile, reload }: EditorProps): ReactElement {
  const unit = useUnit();
  const [base, setBase] = useState(profile);
  const [draft, setDraft] = useState<Draft>(() => draftOf(profile, unit));
  const [touched, setTouched] = useState<ReadonlySet<string>>(new Set());
  /** Fields that somebody else changed while this was being typed. */
  const [theirs, setTheirs] = useState<readonly (keyof Draft)[]>([]);
  const save = useSaveLifter(profile.id);
  const set = (part: Partial<Draft>): void => {
    setDraft({ ...draft, ...part });
    setTouched(new Set([...touched, ...Object.keys(part)]));
  };
  const send = (event: FormEvent): void => {
    event.preventDefault();
    save.mutate(requestOf(draft, base, unit, touched), {
      onSuccess: (saved) => {
        setBase(saved);
        setDraft(draftOf(saved, unit));
        setTouched(new Set());
        setTheirs([]);
      },
      onError: (error) => {
        if (error.code !== 'changed-meanwhile') return;
        // What was typed stays; what they have now stands beside it, and saving again is a decision.
        void reload().then((now) => {
          if (!now) return;
          setTheirs(differences(draftOf(base, unit), draftOf(now, unit)));
          setBase(now);
        });
      },
    });
  };
  const fault = (path: string): string | undefined =>
    save.error?.fields.find((field) => field.path === path || field.path.startsWith(`${path}.`))?.message;
  const now = draftOf(base, unit);
  const changed = differences(draft, now);
  const open = base.unanswered.filter((field) => !touched.has(field));
  const note = (field: keyof Draft): ReactNode => {
    if (theirs.includes(field) && changed.includes(field))
      return <span className="text-oxblood"> · theirs: {words(now[field])}</span>;
    return base.unanswered.includes(field) && !touched.has(field) ? (
      <span className="text-ochre"> · not answered yet</span>
    ) : null;
  };
  return (
    <div className="grid gap-x-12 gap-y-8 py-4 xl:grid-cols-[minmax(0,36rem)_minmax(0,1fr)]">
      <form onSubmit={send} noValidate aria-label="Profile" className="grid gap-4">
        {open.length > 0 && (
          <div className="flex flex-wrap items-center gap-3 border-l-4 border-ochre pl-3">
            <p>
              {open.length === 1 ? 'One answer' : `${open.length} answers`} would sharpen the calls:{' '}
              {open.map((field) => FIELD_NAMES[field]).join(', ')}.
            </p>
            <Button onClick={() => setTouched(new Set([...touched, ...open]))}>
              They are right as they stand
            </Button>
          </div>
        )}
        <Field
          label="Name"
          value={draft.name}
          maxLength={120}
          error={fault('name')}
          onChange={(event) => set({ name: event.target.value })}
        />
        <div className="grid gap-4 sm:grid-cols-2">
          <Field
            label="Sport"
            value={draft.sport}
            maxLength={60}
            error={fault('sport')}
            onChange={(event) => set({ sport: event.target.value })}
          />
          <Field
            label="Best deadlift"
            unit={unit}
            inputMode="decimal"
            value={draft.deadliftMax}
            error={fault('deadliftMax')}
            onChange={(event) => set({ deadliftMax: event.target.value })}
          />
        </div>
        <Choices
          legend={<>Dominant hand{note('dominantHand')}</>}
          value={draft.dominantHand}
          options={SIDES.map((side) => [side, side] as const)}
          onChange={(dominantHand) => set({ dominantHand })}
        />
        <div className="grid gap-4 sm:grid-cols-2">
          <Select
            label={<>Stance{note('stance')}</>}
            value={draft.stance}
            error={fault('stance')}
            onChange={(stance) => set({ stance })}
            options={[...new Set([...STANCES, draft.stance])].map((each) => [each, each] as const)}
          />
          <label className="grid content-start gap-1">
            <span className="label">Training since{note('trainingSince')}</span>
            <input
              type="date"
              value={draft.trainingSince}
              onChange={(event) => event.target.value && set({ trainingSince: event.target.value })}
              className="rounded-sm border border-edge bg-ground px-3 py-2"
            />
          </label>
          <Select
            label={<>School{note('schoolId')}</>}
            value={draft.schoolId}
            error={fault('schoolId')}
            onChange={(schoolId) => set({ schoolId })}
            options={SCHOOLS.map((school) => [school.id, school.name] as const)}
          />
          <Select
            label={<>Hook stage{note('hookStage')}</>}
            value={draft.hookStage}
            error={fault('hookStage')}
            onChange={(hookStage) => set({ hookStage: hookStage as Draft['hookStage'] })}
            options={HOOK_STAGES.map((stage) => [stage, stage === 'none' ? 'not started' : stage] as const)}
          />
        </div>
        <fieldset>
          <legend className="label">Chance asked of a bare grip, %{note('thresholds')}</legend>
          <div className="mt-1 grid grid-cols-3 gap-3 sm:grid-cols-6">
            {ASKED_ROLES.map((role) => (
              <Field
                key={role}
                label={ROLE_WORDS[role]}
                inputMode="decimal"
                value={draft.thresholds[role]}
                error={fault(`thresholds.${role}`)}
                onChange={(event) => set({ thresholds: { ...draft.thresholds, [role]: event.target.value } })}
              />
            ))}
          </div>
        </fieldset>
        <History flags={draft.history} onChange={(history) => set({ history })} note={note('history')} />
        {save.error && <Failed error={save.error} />}
        <div className="flex flex-wrap items-center gap-3">
          <Button
            type="submit"
            look="action"
            disabled={save.isPending || changed.length + touched.size === 0}
          >
            {theirs.length > 0 ? 'Save mine over theirs' : 'Save'}
          </Button>
          {changed.length > 0 && (
            <Button
              look="quiet"
              onClick={() => {
                setDraft(now);
                setTouched(new Set());
                setTheirs([]);
              }}
            >
              {theirs.length > 0 ? 'Take theirs' : 'Undo the changes'}
            </Button>
          )}
          {save.isSuccess && changed.length === 0 && <span role="status">Saved.</span>}
          <PutAside profile={base} />
        </div>
      </form>
      <Changes profile={base} />
    </div>
  );
}

function words(value: Draft[keyof Draft]): string {
  return typeof value === 'string'
    ? value
    : Array.isArray(value)
      ? `${value.length} entries`
      : 'other figures';
}

function Select({
  label,
  value,
  options,
  error,
  onChange,
}: {
  label: ReactNode;
  value: string;
  options: readonly (readonly [string, string])[];
  error: string | undefined;
  onChange: (value: string) => void;
}): ReactElement {
  return (
    <label className="grid content-start gap-1">
      <span className="label">{label}</span>
      <select
        value={value}
        aria-invalid={error ? true : undefined}
        onChange={(event) => onChange(event.target.value)}
        className="rounded-sm border border-edge bg-ground px-2 py-2 text-ink"
      >
        {options.map(([each, text]) => (
          <option key={each} value={each}>
            {text}
          </option>
        ))}
      </select>
      {error && (
        <span role="alert" className="text-oxblood">
          {error}
        </span>
      )}
    </label>
  );
}

function History({
  flags,
  note,
  onChange,
}: {
  flags: readonly HistoryFlag[];
  note: ReactNode;
  onChange: (flags: readonly HistoryFlag[]) => void;
}): ReactElement {
  const replace = (at: number, flag: HistoryFlag): void =>
    onChange(flags.map((each, i) => (i === at ? flag : each)));
  return (
    <fieldset>
      <legend className="label">History: who must clear it is a physician or physiotherapist{note}</legend>
      <ul className="mt-1 grid gap-2">
        {flags.map((flag, i) => (
          <li key={i} className="flex flex-wrap items-center gap-2">
            <select
              aria-label={`Entry ${i + 1}: what`}
              value={flag.kind}
              onChange={(event) => replace(i, { ...flag, kind: event.target.value as HistoryKind })}
              className="rounded-sm border border-edge bg-ground px-2 py-1.5"
            >
              {HISTORY_KINDS.map((kind) => (
                <option key={kind} value={kind}>
                  {HISTORY_WORDS[kind]}
                </option>
              ))}
            </select>
            <select
              aria-label={`Entry ${i + 1}: side`}
              value={flag.side ?? ''}
              onChange={(event) => {
                const { side: _side, ...rest } = flag;
                const side = SIDES.find((each) => each === event.target.value);
                replace(i, side ? { ...rest, side } : rest);
              }}
              className="rounded-sm border border-edge bg-ground px-2 py-1.5"
            >
              <option value="">no side</option>
              {SIDES.map((side) => (
                <option key={side} value={side}>
                  {side}
                </option>
              ))}
            </select>
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                checked={flag.cleared}
                onChange={(event) => replace(i, { ...flag, cleared: event.target.checked })}
                className="accent-forge"
              />
              cleared
            </label>
            <Button
              look="quiet"
              aria-label={`Remove entry ${i + 1}`}
              onClick={() => onChange(flags.filter((_, at) => at !== i))}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <Button className="mt-2" onClick={() => onChange([...flags, { kind: 'shoulder', cleared: false }])}>
        Add an entry
      </Button>
    </fieldset>
  );
}

function PutAside({ profile }: { profile: ProfileView }): ReactElement {
  const archive = useArchive();
  const navigate = useNavigate();
  return (
    <span className="ml-auto">
      <Button
        look="quiet"
        disabled={archive.isPending}
        onClick={() =>
          archive.mutate(
            { lifterId: profile.id, archived: !profile.archived, version: profile.version },
            { onSuccess: (now) => (now.archived ? void navigate('/lifters/archived') : undefined) },
          )
        }
      >
        {profile.archived ? 'Take back to the rack' : 'Put aside'}
      </Button>
      {archive.error && <Failed error={archive.error} />}
    </span>
  );
}

function Changes({ profile }: { profile: ProfileView }): ReactElement {
  return (
    <section aria-label="What was changed">
      <h2 className="border-b-2 border-ink pb-1 text-xl">What was changed</h2>
      {profile.changes.length === 0 && <p className="py-2 text-quiet">Nothing yet.</p>}
      <ul>
        {profile.changes.map((change) => (
          <li key={change.id} className="border-b border-rule py-1.5">
            <b>{FIELD_NAMES[change.field] ?? change.field}</b>: {plain(change.before)} → {plain(change.after)}
            <span className="block text-sm text-quiet">
              {change.by}, {format(parseISO(change.at), 'EEE d MMM yyyy, HH:mm')}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A stored value as a person would read it. */
function plain(value: unknown): string {
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value))
    return value.length
      ? (value as HistoryFlag[])
          .map(
            (flag) =>
              `${flag.side ? `${flag.side} ` : ''}${HISTORY_WORDS[flag.kind]}${flag.cleared ? ', cleared' : ''}`,
          )
          .join('; ')
      : 'none';
  if (typeof value === 'object' && value !== null)
    return Object.entries(value)
      .map(
        ([role, chance]) =>
          `${ROLE_WORDS[role as SetRole] ?? role} ${Math.round(Number(chance) * 1000) / 10} %`,
      )
      .join(', ');
  return value === null ? 'nothing' : String(value);
}
