import type { DayPlace, Weekday } from '../../../core/calendar/day-place.ts';
import type { StrandMark } from '../../../core/record/adherence/packed-strand.ts';
import { dayKey, dayName, parseDayKey } from '../../../core/calendar/day-place.ts';
import { unpackStrand } from '../../../core/record/adherence/packed-strand.ts';
import { STATE_WORDS } from '../../../words/en/days.ts';
import { beadMarkup } from '../../charts/session/bead.tsx';
import { usePlainLinks } from '../../parts/use-plain-links.ts';

const STEP = 40;

type OwnBead = DayPlace & StrandMark;

/** A bead for each planned day, out of what a page carries. */
export function ownBeads(days: string, strand: string): OwnBead[] {
  const keys = days === '' ? [] : days.split(' ');
  return unpackStrand(strand).map((mark, i) => ({ ...parseDayKey(keys[i]!)!, ...mark }));
}

/** Someone's own weeks: a thread a week, each bead a day that can be opened. */
export function OwnStrand({
  beads,
  base,
  firstWeekday,
  title = 'Your weeks',
  linkTo = (bead) => `${base}/${dayKey(bead)}`,
}: {
  beads: readonly OwnBead[];
  base: string;
  firstWeekday: Weekday;
  title?: string;
  linkTo?: (bead: OwnBead) => string;
}) {
  const onClick = usePlainLinks();
  const weeks = [...new Set(beads.map((b) => b.week))];
  const isOpen = (b: OwnBead) => !['unsent', 'ahead', 'before'].includes(b.state);
  const shown = weeks.filter((week) => beads.some((b) => b.week === week && (isOpen(b) || b.state === 'ahead')));
  if (shown.length === 0) return null;
  return (
    <section className="own-strand" onClick={onClick}>
      <h2>{title}</h2>
      {shown.map((week) => (
        <div key={week} className="own-week">
          <span className="soft small">week {week}</span>
          <div className="own-thread">
            {Array.from({ length: 7 }, (_, i) => beads.find((b) => b.week === week && b.weekday === i + 1)).map(
              (bead, i) => {
                const isAhead = !bead || bead.state === 'ahead' || bead.state === 'unsent';
                const drawn =
                  `<line class="strand-thread${isAhead ? ' ahead' : ''}" x1="0" x2="${STEP}" y1="15" y2="15"/>` +
                  (bead
                    ? beadMarkup({ x: STEP / 2, y: 15, state: bead.state, shareRatio: bead.shareRatio, radius: 6.5 })
                    : '');
                const mark = (
                  <svg
                    viewBox={`0 0 ${STEP} 30`}
                    width={STEP}
                    height="30"
                    aria-hidden="true"
                    dangerouslySetInnerHTML={{ __html: drawn }}
                  />
                );
                if (!bead || !isOpen(bead)) return <span key={i}>{mark}</span>;
                return (
                  <a
                    key={i}
                    href={linkTo(bead)}
                    aria-label={`${dayName(bead, firstWeekday)}: ${STATE_WORDS[bead.state]}`}
                  >
                    {mark}
                  </a>
                );
              },
            )}
          </div>
        </div>
      ))}
    </section>
  );
}
