import { DataTable } from '../../parts/table/data-table.tsx';
import { FilePick } from '../../parts/fields/file-pick.tsx';
import { Button, Checkbox, Input } from 'antd';
import { useState } from 'react';
import { formatDay, parseDayDate } from '../../../core/calendar/day.ts';
import { sameData } from '../../../core/same-data.ts';
import { moveOffBlocked } from '../../../core/progress/arrange/arrange-scope.ts';
import type { BlockedDay } from '../../../core/progress/programme-document.ts';
import { Dialog } from '../../parts/dialog.tsx';
import type { Plan } from '../use-plan.ts';
import type { RunDates } from '../../../core/calendar/release.ts';
import { lastDate } from '../../../core/calendar/release.ts';
import { impossibleWords } from '../../../words/en/arrange.ts';
import { Choice } from '../../parts/fields/choice.tsx';
import { DayField } from '../../parts/fields/day-field.tsx';

interface BlockedDialogProps {
  readonly plan: Plan;
  readonly run: RunDates;
  readonly onClose: () => void;
}

/** A day that a file names; its own calendar may show it as free. */
interface FoundDay {
  readonly day: BlockedDay;
  readonly isFree: boolean;
}

const keyOf = (b: BlockedDay) => `${b.date} ${b.words}`;

/** Days on which hard sessions, or any, don't fit: from a calendar file or by hand. What would move is proposed, not done. */
export function BlockedDialog({ plan, run, onClose }: BlockedDialogProps) {
  const { programme, tools, locked } = plan;
  const [blocked, setBlocked] = useState<readonly BlockedDay[]>(programme.blocked);
  const [found, setFound] = useState<readonly FoundDay[]>([]);
  const [note, setNote] = useState('');
  const [date, setDate] = useState('');
  const [words, setWords] = useState('');
  const [moves, setMoves] = useState(true);
  const first = run.startsOn;
  const last = lastDate(run, programme.weeks);
  const read = async (file: File) => {
    try {
      const { readCalendar } = await import('../../../core/exchange/read-calendar.ts');
      const { decodeCalendarText } = await import('../../../core/exchange/decode-text.ts');
      const { text, encoding } = decodeCalendarText(new Uint8Array(await file.arrayBuffer()));
      const calendar = readCalendar(text, {
        from: first,
        to: last,
        timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
      });
      if (calendar.status === 'refused') return setNote(calendar.message);
      const known = new Set(blocked.map(keyOf));
      const days = calendar.days
        .map((d): FoundDay => ({
          day: { date: d.date, words: d.words, uid: d.uid, rule: 'no hard session' },
          isFree: d.isFree,
        }))
        .filter((d) => !known.has(keyOf(d.day)));
      setFound(days);
      return setNote(
        `${calendar.events} ${calendar.events === 1 ? 'event' : 'events'} read; ${days.length} new ${days.length === 1 ? 'day lies' : 'days lie'} in these weeks${calendar.left.length > 0 ? `. Left out: ${calendar.left.join('; ')}` : ''}.${encoding === 'UTF-8' ? '' : ` Its letters are in ${encoding}.`}`,
      );
    } catch {
      return setNote('The file couldn’t be read. Choose it again.');
    }
  };
  const add = () => {
    const day = parseDayDate(date);
    if (!day || day < first || day > last)
      return setNote(`Choose a day from ${formatDay(first)} to ${formatDay(last)}.`);
    if (words.trim() === '') return setNote('Say in a word what is on that day.');
    setBlocked([
      ...blocked.filter((b) => keyOf(b) !== `${day} ${words.trim()}`),
      { date: day, words: words.trim(), rule: 'no hard session' },
    ]);
    setWords('');
    return setNote('');
  };
  const finish = () => {
    const edits = [{ kind: 'set-blocked' as const, blocked }];
    const { edits: moving, stuck } = moves
      ? moveOffBlocked({ ...programme, blocked }, { planner: tools.planner, run, locked })
      : { edits: [], stuck: [] };
    plan.propose([...edits, ...moving], moving.length > 0 ? 'blocked days, and what moves off them' : 'blocked days');
    if (stuck.length > 0) setNote(stuck.map((s) => `Week ${s.week}: ${impossibleWords(s.result)}`).join(' '));
    else onClose();
  };
  const setRule = (b: BlockedDay, rule: BlockedDay['rule']) =>
    setBlocked(blocked.map((x) => (x === b ? { ...x, rule } : x)));
  // Where the file shows all of them as free, all are meant.
  const someBusy = found.some((d) => !d.isFree);
  const isSame = sameData(blocked, programme.blocked);
  return (
    <Dialog
      open
      wide
      title="Blocked days"
      okText={isSame && !moves ? 'Nothing to propose' : 'Propose this'}
      okDisabled={isSame && !moves}
      onCancel={onClose}
      onOk={finish}
    >
      <div className="blocked">
        <FilePick label="From a calendar file" accept=".ics,text/calendar" onFile={(file) => void read(file)} />
        {note && (
          <p className="small" role="status">
            {note}
          </p>
        )}
        {found.length > 0 && (
          <fieldset>
            <legend>Found in the file</legend>
            {found.map(({ day: d, isFree }) => (
              <Checkbox
                key={keyOf(d)}
                checked={blocked.some((b) => keyOf(b) === keyOf(d))}
                onChange={(event) =>
                  setBlocked(
                    event.target.checked
                      ? [...blocked, d].sort((x, y) => (x.date < y.date ? -1 : 1))
                      : blocked.filter((b) => keyOf(b) !== keyOf(d)),
                  )
                }
              >
                {' '}
                {formatDay(d.date)} <b>{d.words}</b> {isFree && <span className="soft">shown as free there</span>}
              </Checkbox>
            ))}
            <Button
              type="text"
              size="small"
              className="tool"
              onClick={() =>
                setBlocked(
                  [
                    ...blocked,
                    ...found.flatMap(({ day, isFree }) =>
                      (isFree && someBusy) || blocked.some((b) => keyOf(b) === keyOf(day)) ? [] : [day],
                    ),
                  ].sort((x, y) => (x.date < y.date ? -1 : 1)),
                )
              }
            >
              {someBusy && found.some((d) => d.isFree) ? 'Take all that aren’t shown as free' : 'Take all of them'}
            </Button>
          </fieldset>
        )}
        <div className="blocked-add">
          <label>
            By hand <DayField label="Blocked day" defaultValue={date} min={first} max={last} onChange={setDate} />
          </label>
          <Input
            aria-label="What is on that day"
            placeholder="Concert"
            value={words}
            maxLength={200}
            onChange={(event) => setWords(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Enter') {
                event.preventDefault();
                add();
              }
            }}
          />
          <Button htmlType="button" onClick={add}>
            Add
          </Button>
        </div>
        {blocked.length === 0 ? (
          <p className="soft">No day is blocked.</p>
        ) : (
          <DataTable
            label="Blocked days"
            rows={blocked}
            keyOf={keyOf}
            columns={[
              { head: 'Day', cell: (b) => formatDay(b.date) },
              { head: 'What', isName: true, cell: (b) => <b>{b.words}</b> },
              {
                head: 'Leaves no room for',
                cell: (b) => (
                  <Choice
                    label={`Rule of ${b.words}, ${b.date}`}
                    value={b.rule}
                    onChange={(rule) => setRule(b, rule as BlockedDay['rule'])}
                    options={[
                      { value: 'no hard session', words: 'a hard session' },
                      { value: 'no session', words: 'any session' },
                    ]}
                  />
                ),
              },
              {
                head: 'remove',
                isHidden: true,
                isFigure: true,
                cell: (b) => (
                  <Button
                    type="text"
                    size="small"
                    className="tool"
                    onClick={() => setBlocked(blocked.filter((x) => x !== b))}
                  >
                    free it
                    <span className="sr">
                      : {b.words}, {b.date}
                    </span>
                  </Button>
                ),
              },
            ]}
          />
        )}
        <p>
          <Checkbox checked={moves} onChange={(event) => setMoves(event.target.checked)}>
            {' '}
            propose how sessions move off blocked days
          </Checkbox>
        </p>
      </div>
    </Dialog>
  );
}
