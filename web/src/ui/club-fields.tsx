import {
  DATE_ORDERS,
  WEEK_STARTS,
  type ClubRequest,
  type DateOrder,
  type WeekStart,
} from '@iron-clasp/contract';
import type { ReactElement } from 'react';
import { Choices } from './choices.tsx';
import { TimeZoneField } from './time-zone-field.tsx';

const WEEK_START_NAMES: Readonly<Record<WeekStart, string>> = {
  monday: 'Monday',
  sunday: 'Sunday',
  saturday: 'Saturday',
};
const DATE_ORDER_NAMES: Readonly<Record<DateOrder, string>> = {
  dayFirst: '24 Nov, 24.11.',
  monthFirst: 'Nov 24, 11/24',
};

/** How a club counts: zone, unit, weeks and days. */
export type ClubHabits = Pick<ClubRequest, 'timeZone' | 'unit' | 'weekStart' | 'dateOrder'>;

/** What a browser tells of where it is: a start that can be changed. */
export function habitsHere(): ClubHabits {
  const { timeZone, locale } = Intl.DateTimeFormat().resolvedOptions();
  const american =
    /-(US|PH|BZ)\b/.test(locale) ||
    /^America\/(New_York|Chicago|Denver|Los_Angeles|Phoenix|Detroit)/.test(timeZone);
  return {
    timeZone,
    unit: american ? 'lb' : 'kg',
    weekStart: american ? 'sunday' : 'monday',
    dateOrder: american ? 'monthFirst' : 'dayFirst',
  };
}

/** The fields of how a club counts; the same where one is started and where it is changed. */
export function ClubFields({
  value,
  fault,
  onChange,
}: {
  value: ClubHabits;
  fault: (field: keyof ClubHabits) => string | undefined;
  onChange: (changes: Partial<ClubHabits>) => void;
}): ReactElement {
  return (
    <>
      <TimeZoneField
        value={value.timeZone}
        error={fault('timeZone')}
        onChange={(timeZone) => onChange({ timeZone })}
      />
      <Choices
        legend="Unit"
        value={value.unit}
        options={[
          ['kg', 'kg'],
          ['lb', 'lb'],
        ]}
        onChange={(unit) => onChange({ unit })}
      />
      <Choices
        legend="The week starts on"
        value={value.weekStart}
        options={WEEK_STARTS.map((each) => [each, WEEK_START_NAMES[each]] as const)}
        onChange={(weekStart) => onChange({ weekStart })}
      />
      <Choices
        legend="Days are written"
        value={value.dateOrder}
        options={DATE_ORDERS.map((each) => [each, DATE_ORDER_NAMES[each]] as const)}
        onChange={(dateOrder) => onChange({ dateOrder })}
      />
    </>
  );
}
