import { Button } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { focusAgain } from '../shell/frame/focus.ts';
import type { DayDifference, ProgrammeDifference } from '../../core/progress/edit/find-differences.ts';
import type { Weekday } from '../../core/calendar/day.ts';
import { shortPlace } from '../../core/calendar/day.ts';
import type { Guard } from '../../core/progress/guards/guard.ts';
import { guardSubject, guardWords } from '../../words/en/guards.ts';

interface ProposalBarProps {
  readonly words: string;
  /** Why the last step further was refused; what was proposed before stands. */
  readonly problem: string;
  readonly firstWeekday: Weekday;
  readonly difference: ProgrammeDifference | undefined;
  readonly newGuards: readonly Guard[];
  readonly goneGuards: number;
  readonly busy: boolean;
  /** Where nothing else holds the focus, Enter applies. */
  readonly takesFocus: boolean;
  readonly onTake: () => void;
  readonly onLeave: () => void;
}

const KIND_WORDS: Record<DayDifference['kind'], string> = {
  new: 'new',
  gone: 'removed',
  came: '',
  went: '',
  changed: '',
  'words-only': '',
};
const SHOWN = 80;

/** What a proposed change would do, before it does: in one line, day by day, and line by line of the texts. */
export function ProposalBar({
  words,
  problem,
  firstWeekday,
  difference,
  newGuards,
  goneGuards,
  busy,
  takesFocus,
  onTake,
  onLeave,
}: ProposalBarProps) {
  const [open, setOpen] = useState(false);
  const take = useRef<HTMLSpanElement>(null);
  const days = difference?.days ?? [];
  const opener = useRef<Element | null>(null);
  useEffect(() => {
    if (!takesFocus) return;
    const now = document.activeElement;
    if (!take.current?.contains(now)) opener.current = now;
    take.current?.querySelector('button')?.focus();
  }, [takesFocus, words]);
  // Applied or discarded: one goes on where one was.
  useEffect(() => () => focusAgain(opener.current), []);
  const summary = [
    days.length === 0 ? '' : `${days.length} ${days.length === 1 ? 'day' : 'days'}`,
    ...(difference?.others ?? []),
  ].filter(Boolean);
  return (
    <section className="proposal" aria-label="Proposed change">
      {open && (
        <ul className="proposal-list">
          {days.slice(0, SHOWN).map((d) => (
            <DifferenceLine key={`${d.place.week}-${d.place.weekday}`} difference={d} firstWeekday={firstWeekday} />
          ))}
          {days.length > SHOWN && <li className="soft">and {days.length - SHOWN} more days</li>}
          {newGuards.map((g, i) => (
            <li key={i} className="proposal-guard">
              <b>Worth a look then: {guardSubject(g, firstWeekday)}.</b> {guardWords(g, firstWeekday)}
            </li>
          ))}
        </ul>
      )}
      {problem && (
        <p className="plan-off" role="alert">
          {problem}
        </p>
      )}
      <div className="proposal-line">
        <p>
          <span className="proposal-mark">Proposed</span> <b>{words}</b>
          <span className="soft">
            {' '}
            {summary.join(' · ')}
            {newGuards.length > 0 && ` · ${newGuards.length} more worth a look`}
            {goneGuards > 0 && ` · ${goneGuards} fewer`}
          </span>
        </p>
        {(days.length > 0 || newGuards.length > 0) && (
          <Button type="text" size="small" className="tool" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? 'Less' : 'Day by day'}
          </Button>
        )}
        <Button onClick={onLeave}>Discard</Button>
        <span ref={take}>
          <Button type="primary" loading={busy} onClick={onTake}>
            Apply
          </Button>
        </span>
      </div>
    </section>
  );
}

function DifferenceLine({ difference, firstWeekday }: { difference: DayDifference; firstWeekday: Weekday }) {
  const [open, setOpen] = useState(false);
  const { before, after, place, kind, title, words } = difference;
  const [was, is] = [before.split('\n'), after.split('\n')];
  const removed = was.filter((l) => l.trim() !== '' && !is.includes(l));
  const added = is.filter((l) => l.trim() !== '' && !was.includes(l));
  const hasLines = removed.length + added.length > 0 && kind !== 'came' && kind !== 'went';
  return (
    <li>
      <span className="proposal-place">{shortPlace(place, firstWeekday)}</span> <b>{title}</b>{' '}
      <span>{[KIND_WORDS[kind], words].filter(Boolean).join(', ')}</span>
      {hasLines && (
        <Button type="text" size="small" className="tool small" aria-expanded={open} onClick={() => setOpen(!open)}>
          lines
        </Button>
      )}
      {open && (
        <pre className="line-changes">
          {removed.map((l, i) => (
            <del key={i}>
              {l}
              {'\n'}
            </del>
          ))}
          {added.map((l, i) => (
            <ins key={i}>
              {l}
              {'\n'}
            </ins>
          ))}
        </pre>
      )}
    </li>
  );
}
