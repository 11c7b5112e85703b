import type { ReactElement } from 'react';

/** The clasp curve in plain words: what it is, what it is made of, and what it cannot know. */
export function CurveWords(): ReactElement {
  return (
    <article className="max-w-prose py-4 text-lg [&_h2]:mt-6 [&_h2]:text-2xl [&_li]:mt-1 [&_p]:mt-2 [&_ul]:list-disc [&_ul]:pl-6">
      <h2>What the clasp curve is</h2>
      <p>
        It says how long this lifter’s hands hold a load: heavy loads for short, lighter ones for long. Each
        bare-handed set and each timed hold is one look at it. A set that went well says: at least this long.
        A slip says: just so long, and no longer. Both are counted for what they are.
      </p>
      <h2>What is read off it</h2>
      <ul>
        <li>
          The ten-second load: held ten seconds as often as not, double overhand, with chalk, on a common bar.
        </li>
        <li>What hook, mixed grip and chalk are worth to this lifter, as a multiplier on the load.</li>
        <li>How likely the hand holds a planned set, and an attempt on the day of the meet.</li>
        <li>The next hold: a load that is held its seconds about as often as the school asks.</li>
      </ul>
      <h2>How much of it is the lifter’s own</h2>
      <p>
        With an empty log it is the trade’s working figures, set by the deadlift max, with a wide band. Each
        logged hold and slip pulls it towards the lifter and narrows the band. Hands change over the weeks and
        differ from day to day: how much, the log itself tells, and what was held long ago says less of today.
        Every figure shows its range, which holds the truth four times in five, and how many entries stand
        behind it.
      </p>
      <h2>How far to trust it</h2>
      <p>
        The track record asks the curve of each past week about the four weeks after it, and holds that
        against what happened. A day to come is reckoned by the steady gain of the hands, for at most eight
        weeks, and its range grows with every week. What hold blocks add to that is learned over all blocks of
        the club, and said with its doubt beside the blocks of a lifter.
      </p>
      <h2>What it cannot know</h2>
      <ul>
        <li>Sleep, sweat, a knurl packed with chalk, or a bad day, unless they were logged.</li>
        <li>Skin and pain: those are the hands check’s. A hand that could hold may still have to rest.</li>
        <li>Strapped work: it says nothing about the hands and is left out.</li>
        <li>Loads far from any that were tried. There the band is wide, and should be believed.</li>
        <li>Whether a slip was the grip or the set-up. Log the cause where it was seen.</li>
      </ul>
      <h2>Where it stops</h2>
      <p>
        It advises a coach. A rule that protects the lifter, the rulebook of the day and the gym’s rules come
        before it, and it is no medical device.
      </p>
    </article>
  );
}
