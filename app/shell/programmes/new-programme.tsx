import { FilePick } from '../../parts/fields/file-pick.tsx';
import { useState } from 'react';
import { useFetcher } from 'react-router';
import { Button, Input } from 'antd';
import type { DayDate, Weekday } from '../../../core/calendar/day.ts';
import { formatDay, parseDayDate, weekdayName, weekdayOf } from '../../../core/calendar/day.ts';
import type { ProgrammeDocument } from '../../../core/progress/programme-document.ts';
import { emptyProgramme } from '../../../core/progress/programme-document.ts';
import { pictureWeeks } from '../../../core/progress/week/weeks-picture.ts';
import { listWords, plural } from '../../../core/words/words.ts';
import type { NewChoices } from '../../../server/shell/new-choices.ts';
import { DayRow } from './day-row.tsx';
import { Dialog } from '../../parts/dialog.tsx';
import { NumberField } from '../../plan/track/number-field.tsx';
import { readProgrammeFile } from '../../plan/dialogs/read-programme-file.ts';
import type { ProgrammeStart } from '../../../server/shell/load-programmes.ts';
import { StartPicture } from './start-card.tsx';
import { Choice } from '../../parts/fields/choice.tsx';
import { DayField } from '../../parts/fields/day-field.tsx';

/** A programme as it is sent; how it is written is loaded when a file was chosen. */
async function writeDocument(programme: ProgrammeDocument): Promise<string> {
  const { toProgrammeJson } = await import('../../../core/exchange/writing/write-programme.ts');
  return JSON.stringify(toProgrammeJson(programme));
}

interface ProgrammeFormProps {
  readonly from: string;
  readonly starts: readonly ProgrammeStart[];
  readonly nextMonday: DayDate;
  readonly choices: NewChoices;
}

const BLANK: ProgrammeStart = {
  from: 'empty',
  title: 'Empty days',
  about: 'To write one by one, or as a session that recurs.',
  picture: null,
};
const FILE: ProgrammeStart = {
  from: 'file',
  title: 'A file',
  about: 'One that was exported here, by you or by somebody else.',
  picture: null,
};

/** What a new programme is made of, and the means to send it off. */
function useNewProgramme({ from: first, starts, nextMonday, choices }: ProgrammeFormProps) {
  const fetcher = useFetcher<{ readonly errors: Readonly<Record<string, string>> }>();
  const [from, setFrom] = useState(first);
  const [title, setTitle] = useState('');
  const [startsOn, setStartsOn] = useState<string>(nextMonday);
  const [weekdays, setWeekdays] = useState(choices.weekdays);
  const [weeks, setWeeks] = useState(choices.weeks);
  const [lighterEvery, setLighterEvery] = useState(choices.lighterEvery);
  const [file, setFile] = useState<ProgrammeDocument>();
  const [issues, setIssues] = useState<readonly string[]>([]);
  const pick = async (chosen: File) => {
    const answer = await readProgrammeFile(chosen);
    setIssues('issues' in answer ? answer.issues : []);
    setFile('programme' in answer ? answer.programme : undefined);
  };
  const make = async () => {
    const body = new FormData();
    body.set('title', title);
    body.set('from', from);
    body.set('weeks', String(weeks));
    body.set('startsOn', startsOn);
    body.set('lighterEvery', String(lighterEvery));
    if (from === 'file') body.set('document', file ? await writeDocument(file) : '');
    for (const day of weekdays) body.append('weekdays', String(day));
    void fetcher.submit(body, { method: 'post', action: '/programmes' });
  };
  const start = starts.find((s) => s.from === from);
  return {
    ...{ from, setFrom, title, setTitle, startsOn, setStartsOn, weekdays, setWeekdays, weeks, setWeeks },
    ...{ lighterEvery, setLighterEvery, file, issues, pick, start },
    make: () => void make(),
    /** The title that it gets where none is written. */
    usualTitle: file?.title ?? start?.title ?? '',
    errors: fetcher.data?.errors ?? {},
    busy: fetcher.state !== 'idle',
    canMake: from !== 'file' || file !== undefined,
  };
}

type NewProgrammeState = ReturnType<typeof useNewProgramme>;

/** What the chosen days look like before anything is written. */
const emptyPicture = ({ weeks, weekdays }: Pick<NewProgrammeState, 'weeks' | 'weekdays'>, first: Weekday) =>
  pictureWeeks(emptyProgramme({ title: '', weeks, weekdays, firstWeekday: first }), () => {
    throw new Error('nothing is written in an empty programme');
  });

/** Two columns: when and how often, and what it starts from. */
function ProgrammeFields({
  state,
  starts,
  action,
}: {
  state: NewProgrammeState;
  starts: readonly ProgrammeStart[];
  /** Below the fields, on a page of its own. */
  action?: React.ReactNode;
}) {
  const { from, startsOn, errors, file, issues } = state;
  const date = parseDayDate(startsOn);
  const first = date ? weekdayOf(date) : 1;
  const picture = state.start?.picture;
  const falls = picture
    ? [0, 1, 2, 3, 4, 5, 6].filter((d) => picture.some((week) => week[d])).map((d) => weekdayName(d + 1, first))
    : [];
  const error = (name: string) =>
    errors[name] && (
      <p className="field-error" role="alert">
        {errors[name]}
      </p>
    );
  return (
    <div className="new-programme">
      <div className="new-fields">
        <label>
          Title
          <Input
            value={state.title}
            maxLength={120}
            autoComplete="off"
            placeholder={state.usualTitle || (date ? `Programme from ${formatDay(date)}` : '')}
            onChange={(event) => state.setTitle(event.target.value)}
          />
        </label>
        {error('title')}
        <label>
          Begins
          <DayField defaultValue={startsOn} onChange={state.setStartsOn} required />
        </label>
        {error('startsOn')}
        {date && (
          <p className="soft small">
            {formatDay(date)}; weeks are counted from it, so each begins on a {weekdayName(1, first)}.
          </p>
        )}
        {from === 'empty' && (
          <>
            <p className="field-name">Sessions on</p>
            <DayRow first={first} value={state.weekdays} onChange={state.setWeekdays} label="Sessions on" />
            {error('weekdays')}
            <div className="new-numbers">
              <NumberField
                label="Weeks"
                value={state.weeks}
                step={1}
                least={1}
                most={52}
                isPlain
                onChange={state.setWeeks}
                suffix={state.weeks === 1 ? 'week' : 'weeks'}
              />
              <label>
                <span className="sr">A lighter week</span>
                <Choice
                  value={String(state.lighterEvery)}
                  onChange={(weeks) => state.setLighterEvery(Number(weeks))}
                  options={[
                    { value: '0', words: 'no lighter week' },
                    ...[3, 4, 5, 6].map((n) => ({
                      value: String(n),
                      words: `every ${n}${n === 3 ? 'rd' : 'th'} a lighter one`,
                    })),
                  ]}
                />
              </label>
            </div>
            {error('weeks')}
          </>
        )}
        {falls.length > 0 && <p className="soft small">Its sessions fall on {listWords(falls)}.</p>}
        {from === 'file' && (
          <>
            <FilePick label="A programme’s file" accept=".json,.zip" onFile={(file) => void state.pick(file)} />
            {file && (
              <p role="status" className="soft">
                “{file.title}”: {plural(file.weeks, 'week')}, {plural(file.days.length, 'session')},{' '}
                {plural(file.tracks.length, 'track')}.
              </p>
            )}
            {issues.length > 0 && (
              <ul className="plan-off" role="alert">
                {issues.slice(0, 8).map((i) => (
                  <li key={i}>{i}</li>
                ))}
              </ul>
            )}
          </>
        )}
        {action}
      </div>
      <fieldset className="start-cards">
        <legend>Starts from</legend>
        {[{ ...BLANK, picture: emptyPicture(state, first) }, ...starts, FILE].map((s) => (
          <label key={s.from}>
            <input type="radio" name="from" checked={from === s.from} onChange={() => state.setFrom(s.from)} />
            <StartPicture start={s} />
          </label>
        ))}
        {error('from')}
      </fieldset>
    </div>
  );
}

/** The first programme of a workspace: the page itself. */
export function FirstProgramme(props: ProgrammeFormProps) {
  const state = useNewProgramme(props);
  return (
    <form
      className="first-programme"
      onSubmit={(event) => {
        event.preventDefault();
        state.make();
      }}
    >
      <ProgrammeFields
        state={state}
        starts={props.starts}
        action={
          <Button type="primary" size="large" htmlType="submit" loading={state.busy} disabled={!state.canMake}>
            Make the programme
          </Button>
        }
      />
    </form>
  );
}

/** A further programme, over the list of those that are there. */
export function NewProgramme(props: ProgrammeFormProps & { readonly onClose: () => void }) {
  const state = useNewProgramme(props);
  return (
    <Dialog
      open
      wide
      title="New programme"
      okText="Make the programme"
      onCancel={props.onClose}
      onOk={state.make}
      busy={state.busy}
      okDisabled={!state.canMake}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          state.make();
        }}
      >
        <ProgrammeFields state={state} starts={props.starts} />
        {/* Enter in a field makes it, as the button below does. */}
        <button type="submit" hidden disabled={!state.canMake} />
      </form>
    </Dialog>
  );
}
