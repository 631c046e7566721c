import { Button, Input, Radio } from 'antd';
import { useMemo, useState } from 'react';
import type { Weekday } from '../../../core/calendar/day.ts';
import type { MovementLibrary } from '../../../core/movement/library.ts';
import type { OwnDay, OwnPlan } from '../../../core/notation/own-words/read-plan.ts';
import { readOwnPlan } from '../../../core/notation/own-words/read-plan.ts';
import { analyseText } from '../../../core/session/analyse.ts';
import { formatLength } from '../../../core/session/explain/explain.ts';
import { plural } from '../../../core/words/words.ts';
import { readWords } from '../../../words/en/own-words.ts';
import { Dialog } from '../../parts/dialog.tsx';
import { PasteDays } from './paste-days.tsx';
import { PasteDoubts } from './paste-doubts.tsx';
import { ReadSource } from './read-source.tsx';

interface PasteDialogProps {
  readonly open: boolean;
  /** What was dropped on the writer: it is read at once. */
  readonly dropped?: string;
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

const MOST_LETTERS = 60_000;
const PLACEHOLDER =
  'Warm up, twice: 10 arm circles, 10 squats\n\nThen 3 rounds, 30 s rest between\n8 lunges each leg\n20 sec side plank e/s';

/** How many stretches are kept as words rather than as work. */
const keptAsWords = ({ pieces }: OwnDay): number => pieces.filter((p) => p.as === 'note' || p.as === 'unread').length;

const takeText = (day: OwnDay): string => {
  const words = keptAsWords(day);
  return words === 0 ? 'Take it' : `Take it, ${words} left as ${words === 1 ? 'a note' : 'notes'}`;
};

/** A plan in a coach's own words: what each stretch of it became, what is asked, and the session, before any of it is taken. */
export function PasteDialog(props: PasteDialogProps) {
  const { open, library, dropped = '', hasText, firstWeekday, onTake, onClose } = props;
  const [plain, setPlain] = useState(dropped.slice(0, MOST_LETTERS));
  const [isRead, setIsRead] = useState(dropped.trim() !== '');
  const [mode, setMode] = useState<'replace' | 'append'>('append');
  const [chosen, setChosen] = useState(0);
  const [answers, setAnswers] = useState<ReadonlyMap<number, number>>(new Map());
  const plan = useMemo(
    () => readOwnPlan(plain, library, firstWeekday, answers),
    [plain, library, firstWeekday, answers],
  );
  const at = Math.min(chosen, plan.days.length - 1);
  const day = plan.days[at]!;
  const change = (text: string, isDone = false) => {
    setPlain(text.slice(0, MOST_LETTERS));
    setChosen(0);
    setAnswers(new Map());
    setIsRead(isDone && text.trim() !== '');
  };
  const close = () => {
    change('');
    onClose();
  };
  return (
    <Dialog
      open={open}
      wide
      title="Paste a plan"
      okText={isRead ? takeText(day) : 'Read it'}
      okDisabled={isRead ? day.text === '' : plain.trim() === ''}
      onCancel={close}
      onOk={() => {
        if (!isRead) return setIsRead(true);
        onTake(day.text, hasText ? mode : 'replace');
        close();
      }}
    >
      {isRead ? (
        <Reading {...props} plan={plan} at={at} source={plain} onChoose={setChosen} onBack={() => setIsRead(false)}>
          <PasteDoubts
            source={plain}
            doubts={plan.doubts.filter((d) => d.day === at)}
            onAnswer={(start, answer) => setAnswers(new Map(answers).set(start, answer))}
          />
        </Reading>
      ) : (
        <OwnText value={plain} onChange={change} />
      )}
      {isRead && hasText && (
        <Radio.Group
          className="paste-mode"
          value={mode}
          onChange={(event) => setMode(event.target.value as typeof mode)}
          options={[
            { value: 'append', label: 'put it below what is there' },
            { value: 'replace', label: 'in place of what is there' },
          ]}
        />
      )}
    </Dialog>
  );
}

/** The field that a plan is pasted, typed or dropped into; what is pasted whole is read at once. */
function OwnText({ value, onChange }: { value: string; onChange: (text: string, isDone?: boolean) => void }) {
  return (
    <label
      className="paste-own"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        const file = event.dataTransfer.files[0];
        if (!file) return;
        event.preventDefault();
        void file.text().then((text) => onChange(text, true));
      }}
    >
      Your text: a message, a whiteboard typed off, a week, a table; a file can be dropped here
      <Input.TextArea
        aria-label="Your text"
        value={value}
        rows={14}
        autoFocus
        maxLength={MOST_LETTERS}
        placeholder={PLACEHOLDER}
        onChange={(event) => onChange(event.target.value)}
        onPaste={(event) => {
          if (value.trim() !== '') return;
          event.preventDefault();
          onChange(event.clipboardData.getData('text/plain'), true);
        }}
      />
    </label>
  );
}

/** `, 27 min, 25 min promised`: how long it is, beside what its words promise. */
function lengthWords(text: string, library: MovementLibrary): string {
  if (text === '') return '';
  const { plan, document } = analyseText(text, library);
  const promised = document.targetSec === undefined ? '' : `, ${Math.round(document.targetSec / 60)} min promised`;
  return `, ${formatLength(plan.clockSec)}${promised}`;
}

interface ReadingProps extends Omit<PasteDialogProps, 'onTake'> {
  readonly plan: OwnPlan;
  /** The day that is looked at. */
  readonly at: number;
  readonly source: string;
  readonly onChoose: (day: number) => void;
  readonly onBack: () => void;
  readonly children: React.ReactNode;
}

/** What was read: its doubts, its days, the source with its pieces marked, and what they became. */
function Reading(props: ReadingProps) {
  const { plan, at, source, library, week, firstWeekday, onPutOn, onChoose, onBack, children } = props;
  const day = plan.days[at]!;
  return (
    <div className="paste">
      <p className="paste-said" role="status">
        {readWords(day.pieces, day.doubts.length)}{' '}
        <span className="soft">
          {plural(source.trim().split(/\n/).length, 'line')},{' '}
          {plan.days.length === 1 ? 'one session' : plural(plan.days.length, 'day')}
          {lengthWords(day.text, library)}
        </span>{' '}
        <Button type="link" size="small" onClick={onBack}>
          change the text
        </Button>
      </p>
      {children}
      {plan.days.length > 1 && (
        <PasteDays
          days={plan.days}
          at={at}
          week={week}
          firstWeekday={firstWeekday}
          onChoose={onChoose}
          onPutOn={onPutOn}
        />
      )}
      <ReadSource
        key={at}
        source={source}
        pieces={plan.pieces.filter((p) => p.day === at)}
        doubts={plan.doubts.filter((d) => d.day === at)}
        text={day.text}
      />
    </div>
  );
}
