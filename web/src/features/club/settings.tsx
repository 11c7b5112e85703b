import { ClubRequest, type ClubSettingsView } from '@iron-clasp/contract';
import type { ReactElement } from 'react';
import { Controller } from 'react-hook-form';
import { useClubSettings, useSaveClub } from '../../data/people/people.ts';
import { Button } from '../../ui/button.tsx';
import { ClubFields, type ClubHabits } from '../../ui/club-fields.tsx';
import { Field } from '../../ui/field.tsx';
import { useRequestForm } from '../../ui/request-form.ts';
import { Failed, Loading } from '../../ui/states.tsx';
import { useToast } from '../../ui/toast.tsx';
import { ClubCalendar } from './club-calendar.tsx';

/** What the club is called and how it counts. */
export function Settings(): ReactElement {
  const settings = useClubSettings();
  return (
    <section aria-label="Settings of the club" className="mt-3 max-w-xl">
      {settings.isPending && <Loading what="the settings" lines={5} />}
      {settings.error && !settings.data && (
        <Failed error={settings.error} retry={() => void settings.refetch()} />
      )}
      {settings.data && <Form key={settings.data.version} settings={settings.data} />}
      <ClubCalendar />
    </section>
  );
}

function Form({ settings }: { settings: ClubSettingsView }): ReactElement {
  const save = useSaveClub();
  const say = useToast();
  const { name, timeZone, unit, weekStart, dateOrder, version } = settings;
  const { form, field, fault, onSubmit, failed, sending } = useRequestForm<
    { name: string; habits: ClubHabits },
    ClubRequest,
    ClubSettingsView
  >({
    request: ClubRequest,
    start: { name, habits: { timeZone, unit, weekStart, dateOrder } },
    bodyOf: (typed) => ({ name: typed.name, ...typed.habits, version }),
    send: (body) => save.mutateAsync(body),
    onSaved: () => say('The settings are saved.'),
  });
  return (
    <form onSubmit={onSubmit} noValidate aria-label="Settings" className="grid gap-4">
      <Field label="Name of the club" autoComplete="organization" {...field('name')} />
      <Controller
        control={form.control}
        name="habits"
        render={({ field: { value, onChange } }) => (
          <ClubFields
            value={value}
            fault={fault}
            onChange={(changes) => onChange({ ...value, ...changes })}
          />
        )}
      />
      <p className="text-quiet">
        The unit is what new lifters and people start with; everybody changes their own. A day logged stays
        the day it was, also where the zone is changed.
      </p>
      {failed && <Failed error={failed} />}
      <Button
        type="submit"
        look="action"
        className="justify-self-start"
        disabled={sending || !form.formState.isDirty}
      >
        Save
      </Button>
    </form>
  );
}
