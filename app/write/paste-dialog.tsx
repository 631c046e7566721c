import { useMemo, useState } from 'react';
import type { MovementLibrary } from '../../core/movement/library.ts';
import type { GuessedLine } from '../../core/notation/pasted/guess.ts';
import { guessDays } from '../../core/notation/pasted/guess.ts';
import type { Weekday } from '../../core/calendar/day.ts';
import { weekdayName } from '../../core/calendar/day.ts';
import { plural } from '../../core/words/words.ts';
import { Dialog } from '../parts/dialog.tsx';

const BECOMES: Record<GuessedLine['becomes'], string> = {
  title: 'title',
  header: 'block',
  item: 'item',
  rest: 'rest',
  'left-out': 'left out',
};

interface PasteDialogProps {
  readonly open: boolean;
  readonly library: MovementLibrary;
  readonly hasText: boolean;
  readonly onTake: (text: string, mode: 'replace' | 'append') => void;
  /** The week that is being written, for a plan of several days. */
  readonly week: number;
  readonly firstWeekday: Weekday;
  /** Puts a text on another day; what came of it in words, or why not. */
  readonly onPutOn: (
    place: { week: number; weekday: number },
    text: string,
  ) => Promise<{ done: boolean; words: string }>;
  readonly onClose: () => void;
}

/** A plan found elsewhere, and what would be made of it, before any of it is taken. */
export function PasteDialog({
  open,
  library,
  hasText,
  week,
  firstWeekday,
  onTake,
  onPutOn,
  onClose,
}: PasteDialogProps) {
  const [plain, setPlain] = useState('');
  const [mode, setMode] = useState<'replace' | 'append'>('append');
  const [chosen, setChosen] = useState(0);
  const [told, setTold] = useState<readonly string[]>([]);
  const days = useMemo(() => guessDays(plain, library, firstWeekday), [plain, library, firstWeekday]);
  const guess = days[Math.min(chosen, days.length - 1)]!;
  const placed = days.filter((d) => d.weekday !== null && d.text !== '');
  const putAll = async () => {
    const said: string[] = [];
    for (const day of placed) said.push((await onPutOn({ week, weekday: day.weekday! }, day.text)).words);
    setTold(said);
  };
  const doubts = guess.lines.filter((l) => !l.isSure);
  const close = () => {
    setPlain('');
    setChosen(0);
    setTold([]);
    onClose();
  };
  return (
    <Dialog
      open={open}
      wide
      title="Paste a plan"
      okText="Take this"
      okDisabled={guess.text === ''}
      onCancel={close}
      onOk={() => {
        onTake(guess.text, hasText ? mode : 'replace');
        close();
      }}
    >
      <div className="paste">
        <label>
          Your text
          <textarea
            value={plain}
            rows={14}
            autoFocus
            maxLength={60_000}
            onChange={(event) => {
              setPlain(event.target.value);
              setChosen(0);
              setTold([]);
            }}
            placeholder={'3 rounds\n1. Squats x 10\n2. Push ups 3x8\n3. 30 sec plank\n4. Lunges 8 each leg'}
          />
        </label>
        <div>
          {days.length > 1 ? (
            <fieldset className="paste-days">
              <legend>{plural(days.length, 'day')} in it; this one is taken</legend>
              {days.map((d, i) => (
                <label key={i}>
                  <input type="radio" name="paste-day" checked={i === chosen} onChange={() => setChosen(i)} />{' '}
                  {d.heading || 'before the first heading'}
                  {d.text === '' && <span className="soft"> nothing to do</span>}
                </label>
              ))}
              {placed.length > 1 && (
                <button type="button" className="link" onClick={() => void putAll()}>
                  Put all on their days of week {week}:{' '}
                  {placed.map((d) => weekdayName(d.weekday!, firstWeekday)).join(', ')}
                </button>
              )}
              <ul aria-live="polite">
                {told.map((words) => (
                  <li key={words}>{words}</li>
                ))}
              </ul>
            </fieldset>
          ) : (
            <p>Read as</p>
          )}
          <pre aria-live="polite">
            {guess.text ||
              (plain.trim() === ''
                ? 'Numbered lists, “3x10”, “x10”, “30 sec”, “8 each leg”, rounds and clocks are understood.'
                : 'No exercise could be read in this.')}
          </pre>
          {doubts.length > 0 && (
            <ul className="paste-doubts">
              {doubts.slice(0, 8).map((l, i) => (
                <li key={i}>
                  <q>{l.source.trim().slice(0, 60)}</q> {BECOMES[l.becomes]}
                  {l.why && `: ${l.why}`}
                </li>
              ))}
              {doubts.length > 8 && <li className="soft">and {doubts.length - 8} more to look at</li>}
            </ul>
          )}
        </div>
      </div>
      {hasText && (
        <p className="paste-mode">
          <label>
            <input type="radio" name="paste-mode" checked={mode === 'append'} onChange={() => setMode('append')} /> put
            it below what is there
          </label>
          <label>
            <input type="radio" name="paste-mode" checked={mode === 'replace'} onChange={() => setMode('replace')} /> in
            place of what is there
          </label>
        </p>
      )}
    </Dialog>
  );
}
