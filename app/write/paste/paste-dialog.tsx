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
import type { Placing } from './use-placing.ts';
import { usePlacing } from './use-placing.ts';
import type { WrittenDays } from './use-written-days.ts';
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
  readonly programmeId: string;
  /** Writes the days of a plan on the programme. */
  readonly onWrite: (change: WrittenDays) => void;
  readonly busy: boolean;
  /** Why they couldn’t be written; empty where nothing was wrong. */
  readonly problem: string;
  readonly onClose: () => void;
}

const MOST_LETTERS = 60_000;
const PLACEHOLDER =
  'Warm up, twice: 10 arm circles, 10 squats\n\nThen 3 rounds, 30 s rest between\n8 lunges each leg\n20 sec side plank e/s';

/** `Take it, 2 left as notes`: how many stretches are kept as words rather than as work. */
const withNotes = (words: string, days: readonly OwnDay[]): string => {
  const kept = days.flatMap((d) => d.pieces).filter((p) => p.as === 'note' || p.as === 'unread').length;
  return kept === 0 ? words : `${words}, ${kept} left as ${kept === 1 ? 'a note' : 'notes'}`;
};

/** A plan in a coach's own words: what each stretch of it became, what is asked, and the session, before any of it is taken. */
export function PasteDialog(props: PasteDialogProps) {
  const { open, library, dropped = '', hasText, firstWeekday, busy, problem, onTake, onWrite, onClose } = props;
  const [plain, setPlain] = useState(dropped);
  const [isRead, setIsRead] = useState(dropped.trim() !== '' && dropped.length <= MOST_LETTERS);
  const [mode, setMode] = useState<'replace' | 'append'>('append');
  const [chosen, setChosen] = useState(0);
  const [answers, setAnswers] = useState<ReadonlyMap<number, number>>(new Map());
  const plan = useMemo(
    () => readOwnPlan(isRead ? plain : '', library, firstWeekday, answers),
    [isRead, plain, library, firstWeekday, answers],
  );
  const at = Math.min(chosen, plan.days.length - 1);
  const day = plan.days[at]!;
  const change = (text: string, isDone = false) => {
    setPlain(text);
    setChosen(0);
    setAnswers(new Map());
    placing.reset();
    setIsRead(isDone && text.trim() !== '' && text.length <= MOST_LETTERS);
  };
  const take = () => {
    onTake(day.text, hasText ? mode : 'replace');
    close();
  };
  const tooLong = plain.length > MOST_LETTERS;
  const hasDays = isRead && plan.days.length > 1;
  const placing = usePlacing(plan.days, { isOn: open && hasDays, week: props.week, programmeId: props.programmeId });
  const written = placing.days.filter((d) => d.isWritten);
  // Where all days are written, what is asked of any of them is asked now.
  const asked = written.length > 0 ? plan.doubts : plan.doubts.filter((d) => d.day === at);
  const close = () => {
    change('');
    onClose();
  };
  return (
    <Dialog
      open={open}
      wide
      title="Paste a plan"
      busy={busy}
      okText={
        !isRead
          ? 'Read it'
          : written.length > 0
            ? withNotes(
                `Write ${plural(written.length, 'day')}`,
                written.flatMap((d) => d.from.map((n) => plan.days[n]!)),
              )
            : withNotes('Take it', [day])
      }
      okDisabled={isRead ? day.text === '' && written.length === 0 : plain.trim() === '' || tooLong}
      onCancel={close}
      onOk={() => {
        if (!isRead) return setIsRead(true);
        if (placing.change) return onWrite({ ...placing.change, places: written });
        take();
      }}
    >
      {problem !== '' && (
        <p className="notice bad" role="alert">
          {problem}
        </p>
      )}
      {isRead ? (
        <Reading
          {...{ plan, at, library, placing, firstWeekday }}
          asked={asked}
          week={props.week}
          source={plain}
          onChoose={setChosen}
          onBack={() => setIsRead(false)}
        >
          <PasteDoubts
            source={plain}
            doubts={asked}
            onAnswer={(start, answer) => setAnswers(new Map(answers).set(start, answer))}
          />
        </Reading>
      ) : (
        <OwnText value={plain} onChange={change} />
      )}
      {written.length > 0 && day.text !== '' && (
        <p className="paste-one">
          <Button onClick={take}>{`Take only “${day.heading || 'this day'}”, here`}</Button>
        </p>
      )}
      {isRead && hasText && day.text !== '' && (
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
        status={value.length > MOST_LETTERS ? 'error' : undefined}
        placeholder={PLACEHOLDER}
        onChange={(event) => onChange(event.target.value)}
        onPaste={(event) => {
          if (value.trim() !== '') return;
          event.preventDefault();
          onChange(event.clipboardData.getData('text/plain'), true);
        }}
      />
      {value.length > MOST_LETTERS && (
        <span role="alert" className="bad">
          {`This is ${value.length.toLocaleString('en')} letters; ${MOST_LETTERS.toLocaleString('en')} can be read at once. Paste a few weeks at a time; nothing was cut off.`}
        </span>
      )}
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

interface ReadingProps extends Pick<PasteDialogProps, 'library' | 'week' | 'firstWeekday'> {
  readonly placing: Placing;
  readonly asked: OwnPlan['doubts'];
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
  const { plan, at, source, library, week, firstWeekday, placing, asked, onChoose, onBack, children } = props;
  const day = plan.days[at]!;
  return (
    <div className="paste">
      <p className="paste-said" role="status">
        {readWords(
          asked.length === 0 ? day.pieces : plan.pieces.filter((p) => p.day === at || placing.days.length > 0),
          asked.length,
        )}{' '}
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
        <PasteDays days={plan.days} {...{ at, placing, week, firstWeekday, library, onChoose }} />
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
