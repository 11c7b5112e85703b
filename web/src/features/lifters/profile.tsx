import {
  HOOK_STAGES,
  SCHOOLS,
  SIDES,
  SPORT_NAMES,
  SPORTS,
  STANCE_NAMES,
  STANCES,
  type SetRole,
  SET_ROLE_TAGS,
} from '@iron-clasp/core';
import { LifterRequest, type ProfileView } from '@iron-clasp/contract';
import { useState, type ReactElement, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { isStale } from '../../data/client.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { Field } from '../../ui/field.tsx';
import { Select } from '../../ui/select.tsx';
import { useRequestForm } from '../../ui/request-form.ts';
import { Failed, Loading, NotSaved } from '../../ui/states.tsx';
import { useOpenSheet } from '../../data/lifters/use-open-sheet.ts';
import { differences, draftOf, requestOf, type Draft } from './lifter-draft.ts';
import { FIELD_NAMES } from '../../data/lifters/field-names.ts';
import { BestLifts } from './best-lifts.tsx';
import { Changes } from './changes.tsx';
import { Export } from './export.tsx';
import { GripHabits } from './grip-habits.tsx';
import { History } from './history-fields.tsx';
import { Meets } from './meets.tsx';
import { Sharing } from './sharing.tsx';
import { useArchive, useProfile, useSaveLifter } from '../../data/lifters/lifters.ts';
import { useClubSchools } from '../../data/schools/schools.ts';
import { Checkbox } from '../../ui/checkbox.tsx';
import { DateField } from '../../ui/date-field.tsx';
import { DraftNote } from '../../ui/draft-note.tsx';
import { useToast } from '../../ui/toast.tsx';
import { useDraft } from '../../offline/drafts.ts';

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
  const say = useToast();
  const [start] = useState(() => ({ draft: draftOf(profile, unit), touched: [] as readonly string[] }));
  const kept = useDraft(`profile.${profile.id}`, start, profile.version);
  const save = useSaveLifter(profile.id);
  const form = useRequestForm({
    request: LifterRequest,
    start,
    draft: kept,
    bodyOf: ({ draft: all, touched: some }: typeof start): LifterRequest =>
      requestOf(all, base, unit, new Set(some)),
    send: (body) => save.mutateAsync(body),
    onSaved: (saved) => restart(saved),
    onFailed: (error) => {
      if (!isStale(error)) return;
      // What was typed stays; what they have now stands beside it, and saving again is a decision.
      void reload().then((found) => {
        if (!found) return;
        setTheirs(differences(draftOf(base, unit), draftOf(found, unit)));
        setBase(found);
      });
    },
  });
  const { within: fault } = form;
  const { draft } = form.typed;
  const touched: ReadonlySet<string> = new Set(form.typed.touched);
  /** Fields that somebody else changed while this was being typed; or may have, since a draft that was found. */
  const [theirs, setTheirs] = useState<readonly (keyof Draft)[]>(() =>
    kept.found && kept.found.version !== profile.version ? (Object.keys(draft) as (keyof Draft)[]) : [],
  );
  const restart = (from: ProfileView): void => {
    setBase(from);
    const fresh = { draft: draftOf(from, unit), touched: [] };
    form.restart(fresh);
    setTheirs([]);
  };
  const answer = useSaveLifter(profile.id);
  const copies = useClubSchools();
  const set = (part: Partial<Draft>): void => {
    form.set({ draft: { ...draft, ...part }, touched: [...new Set([...touched, ...Object.keys(part)])] });
  };
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
      <form onSubmit={form.onSubmit} noValidate aria-label="Profile" className="grid gap-4">
        {kept.found && changed.length > 0 && <DraftNote at={kept.found.at} onDiscard={() => restart(base)} />}
        {open.length > 0 && (
          <div className="flex flex-wrap items-center gap-3 border-l-4 border-ochre pl-3">
            <p>
              {open.length === 1 ? 'One answer' : `${open.length} answers`} would sharpen the calls:{' '}
              {open.map((field) => FIELD_NAMES[field]).join(', ')}.
            </p>
            <Button
              disabled={answer.isPending}
              onClick={() =>
                // Said at once, and of these alone: whatever else is typed waits for its own Save.
                answer.mutate(requestOf(now, base, unit, new Set(open)), {
                  onSuccess: (saved) => {
                    setBase(saved);
                    say(open.length === 1 ? 'The answer is kept.' : `${open.length} answers are kept.`);
                  },
                })
              }
            >
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
          <Select
            label={<>Sport{note('sport')}</>}
            value={draft.sport}
            error={fault('sport')}
            onChange={(sport) => set({ sport })}
            options={SPORTS.map((each) => [each, SPORT_NAMES[each]] as const)}
          />
          <Field
            label="Best deadlift"
            unit={unit}
            inputMode="decimal"
            value={draft.deadliftMax}
            error={fault('deadliftMax')}
            onChange={(event) => set({ deadliftMax: event.target.value })}
          />
          <Field
            className="sm:col-span-2"
            label="Sport in your words"
            placeholder="Federation, class, what the list does not say"
            value={draft.sportWords}
            maxLength={200}
            error={fault('sportWords')}
            onChange={(event) => set({ sportWords: event.target.value })}
          />
        </div>
        <Choices
          legend={<>Dominant hand{note('dominantHand')}</>}
          value={draft.dominantHand}
          options={SIDES.map((side) => [side, side] as const)}
          onChange={(dominantHand) => set({ dominantHand })}
        />
        <div className="grid gap-4 sm:grid-cols-2">
          <div className="grid content-start gap-2">
            <Select
              label={<>Stance{note('stance')}</>}
              value={draft.stance}
              error={fault('stance')}
              onChange={(stance) => set({ stance })}
              options={STANCES.map((each) => [each, STANCE_NAMES[each]] as const)}
            />
            <Checkbox checked={draft.largeThighs} onChange={(checked) => set({ largeThighs: checked })}>
              Large thighs{note('largeThighs')}
            </Checkbox>
          </div>
          <DateField
            label={<>Training since{note('trainingSince')}</>}
            value={draft.trainingSince}
            error={fault('trainingSince')}
            onChange={(trainingSince) => set({ trainingSince })}
          />
          <Select
            label={<>School{note('schoolId')}</>}
            value={draft.schoolId}
            error={fault('schoolId')}
            onChange={(schoolId) => set({ schoolId })}
            options={[
              ...SCHOOLS.map((school) => [school.id, school.name] as const),
              ...(copies.data ?? [])
                .filter((own) => !own.archived || own.id === draft.schoolId)
                .map((own) => [own.id, `${own.school.name} (ours)`] as const),
            ]}
          />
          <Select
            label={<>Hook stage{note('hookStage')}</>}
            value={draft.hookStage}
            error={fault('hookStage')}
            onChange={(hookStage) => set({ hookStage: hookStage as Draft['hookStage'] })}
            options={HOOK_STAGES.map((stage) => [stage, stage === 'none' ? 'not started' : stage] as const)}
          />
        </div>
        <GripHabits draft={draft} set={set} fault={fault} note={note} />
        <div className="grid gap-4 sm:grid-cols-2">
          <Field
            label="Hand length"
            unit="mm"
            title="Wrist crease to the tip of the middle finger"
            inputMode="decimal"
            value={draft.handLength}
            error={fault('handLength')}
            onChange={(event) => set({ handLength: event.target.value })}
          />
          <Field
            label="Body mass"
            unit={unit}
            title="For hangs"
            inputMode="decimal"
            value={draft.bodyMass}
            error={fault('bodyMass')}
            onChange={(event) => set({ bodyMass: event.target.value })}
          />
        </div>
        <BestLifts bests={draft.bestLifts} onChange={(bestLifts) => set({ bestLifts })} fault={fault} />
        <fieldset>
          <legend className="label">Chance asked of a bare grip, %{note('thresholds')}</legend>
          <div className="mt-1 grid grid-cols-3 gap-3 sm:grid-cols-6">
            {ASKED_ROLES.map((role) => (
              <Field
                key={role}
                label={SET_ROLE_TAGS[role]}
                inputMode="decimal"
                value={draft.thresholds[role]}
                error={fault(`thresholds.${role}`)}
                onChange={(event) => set({ thresholds: { ...draft.thresholds, [role]: event.target.value } })}
              />
            ))}
          </div>
        </fieldset>
        <History flags={draft.history} onChange={(history) => set({ history })} note={note('history')} />
        {form.wrong && <NotSaved message={form.wrong.message} />}
        {(form.failed ?? answer.error) && <Failed error={(form.failed ?? answer.error)!} />}
        <div className="flex flex-wrap items-center gap-3">
          <Button type="submit" look="action" disabled={form.sending || changed.length + touched.size === 0}>
            {theirs.length > 0 ? 'Save mine over theirs' : 'Save'}
          </Button>
          {changed.length > 0 && (
            <Button look="quiet" onClick={() => restart(base)}>
              {theirs.length > 0 ? 'Take theirs' : 'Undo changes'}
            </Button>
          )}
          {save.isSuccess && changed.length === 0 && <span role="status">Saved.</span>}
          <ArchiveButton profile={base} />
        </div>
      </form>
      <div className="grid content-start gap-8">
        <Meets profile={profile} />
        <Sharing profile={profile} />
        <Changes profile={base} />
        <Export profile={base} />
      </div>
    </div>
  );
}

function words(value: Draft[keyof Draft]): string {
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return typeof value === 'string'
    ? value
    : Array.isArray(value)
      ? `${value.length} entries`
      : 'other figures';
}

function ArchiveButton({ profile }: { profile: ProfileView }): ReactElement {
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
        {profile.archived ? 'Restore' : 'Archive the lifter'}
      </Button>
      {archive.error && <Failed error={archive.error} />}
    </span>
  );
}
