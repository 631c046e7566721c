import { DataTable } from '../parts/table/data-table.tsx';
import { FilePick } from '../parts/fields/file-pick.tsx';
import { Button, Input } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { useFetcher } from 'react-router';
import type { DayDate } from '../../core/calendar/day.ts';
import type { PeopleDefaults } from '../../core/exchange/people/read-people.ts';
import { PEOPLE_COLUMNS } from '../../core/exchange/people/column-names.ts';
import { readPeople } from '../../core/exchange/people/read-people.ts';
import { SPARE_WORDS } from '../../core/movement/spare.ts';
import { plural } from '../../core/words/words.ts';
import type { action } from './new-people.ts';
import { Dialog } from '../parts/dialog.tsx';
import { unlessAsked, useLeaving } from '../parts/leaving.tsx';
import { DayField } from '../parts/fields/day-field.tsx';
import { ZoneField } from '../parts/fields/zone-field.tsx';

interface AddPeopleProps {
  readonly programmeId: string;
  readonly defaults: PeopleDefaults;
  readonly existing: readonly string[];
  /** What is done with their links once they are in. */
  readonly onLinks: () => void;
  /** Takes those out again who have just come in. */
  readonly onUndo: (ids: readonly number[]) => void;
}

const SHOWN = 60;

function useAddPeople({ programmeId, defaults, existing }: AddPeopleProps) {
  const [text, setText] = useState('');
  const [timeZone, setTimeZone] = useState(defaults.timeZone);
  const [joinedOn, setJoinedOn] = useState<string>(defaults.joinedOn);
  const fetcher = useFetcher<typeof action>();
  const read = useMemo(
    () => readPeople(text, { timeZone, joinedOn: joinedOn as DayDate }, existing),
    [text, timeZone, joinedOn, existing],
  );
  const good = read.rows.filter((r) => r.person).length;
  const bad = read.rows.length - good;
  const answered = unlessAsked(fetcher.data);
  const answer = fetcher.state === 'idle' ? answered : undefined;
  const busy = fetcher.state !== 'idle';
  const path = `/programmes/${programmeId}/new-people`;
  const leaving = useLeaving(
    fetcher.data,
    (fields) => void fetcher.submit(fields, { method: 'post', action: path }),
    busy,
  );
  return {
    ...{ text, setText, timeZone, setTimeZone, joinedOn, setJoinedOn, read, good, bad },
    busy,
    leaving: leaving.dialog,
    error: answer?.error ?? '',
    added: answer?.added ?? null,
    ids: answer?.ids ?? [],
    /** As soon as it is known: the page may be another one once all is loaded anew. */
    answered,
    words: good === 0 ? 'Add' : `Add ${plural(good, 'person', 'people')}${bad > 0 ? `, leave out ${bad}` : ''}`,
    add: () => leaving.send({ text, timeZone, joinedOn, skip: bad > 0 ? 'yes' : '' }),
    again: () => {
      setText('');
      fetcher.reset();
    },
  };
}

type AddPeopleState = ReturnType<typeof useAddPeople>;

function PeopleFields({ state }: { state: AddPeopleState }) {
  const { text, read } = state;
  return (
    <div className="add-people">
      <label>
        Names, one a line
        <Input.TextArea
          className="csv-text"
          rows={6}
          value={text}
          onChange={(event) => state.setText(event.target.value)}
          placeholder={'Ada Fennick\nBruno Alder, bruno@example.org\nClio Vane, violins'}
        />
      </label>
      <div className="two-fields">
        <label>
          Time zone
          <ZoneField defaultValue={state.timeZone} onChange={state.setTimeZone} />
        </label>
        <label>
          Joined
          <DayField defaultValue={state.joinedOn} onChange={state.setJoinedOn} required />
        </label>
      </div>
      <details className="small">
        <summary>A list from elsewhere</summary>
        <p className="soft">
          An address or a group may stand beside each name. A table is read too, with a header line:{' '}
          {PEOPLE_COLUMNS.join(', ')}. In other languages too (Vorname, Équipe, Correo …). Only the name is needed;
          several things in a cell are parted by “;”.
        </p>
        <FilePick
          label="A list of people"
          accept=".csv,.tsv,.txt,text/csv"
          onFile={(file) => void file.text().then(state.setText)}
        />
      </details>
      {state.error && (
        <p className="field-error" role="alert">
          {state.error}
        </p>
      )}
      {text.trim() !== '' && read.error && (
        <p className="field-error" role="alert">
          {read.error}
        </p>
      )}
      {read.unknownColumns.length > 0 && <p className="soft small">Not read: {read.unknownColumns.join(', ')}.</p>}
      {read.rows.length > 0 && <ReadRows state={state} />}
    </div>
  );
}

/** What stands beside a name, or what is wrong with it. */
const WhatIsRead = ({ row: { person, errors } }: { row: AddPeopleState['read']['rows'][number] }) =>
  person
    ? [
        person.address,
        person.detail,
        person.timeZone.replaceAll('_', ' '),
        person.kit ? `kit: ${person.kit.join(', ') || 'none'}` : '',
        person.spares.map((s) => SPARE_WORDS[s]).join(', '),
      ]
        .filter(Boolean)
        .join(' · ')
    : errors.map((e) => (
        <span key={e.column} className="plan-off">
          {e.column}: {e.message}{' '}
        </span>
      ));

/** Every line as it would be taken, before any of it is. */
function ReadRows({ state: { read } }: { state: AddPeopleState }) {
  const { rows } = read;
  return (
    <>
      <DataTable
        label="What is read"
        className="csv-rows"
        rows={rows.slice(0, SHOWN)}
        keyOf={(r) => r.line}
        columns={[
          { head: 'Line', cell: (r) => r.line },
          { head: 'Name', isName: true, cell: (r) => <b>{r.name || '–'}</b> },
          { head: 'What is read', cell: (r) => <WhatIsRead row={r} /> },
        ]}
      />
      {rows.length > SHOWN && (
        <p className="soft small">
          and {rows.length - SHOWN} more lines, {rows.slice(SHOWN).filter((r) => !r.person).length} of them with an
          error
        </p>
      )}
    </>
  );
}

/** Several people at once, over the list of those who are in. */
export function AddPeople(props: AddPeopleProps & { readonly onClose: () => void }) {
  const state = useAddPeople(props);
  const { added } = state;
  return (
    <>
      <Dialog
        open
        wide
        title="Add people"
        busy={state.busy}
        cancelText={added === null ? 'Cancel' : 'Later'}
        onCancel={props.onClose}
        okDisabled={added === null && state.good === 0}
        okText={added === null ? state.words : 'Hand out their links'}
        onOk={added === null ? state.add : props.onLinks}
      >
        {added === null ? (
          <PeopleFields state={state} />
        ) : (
          <p role="status">
            {added === 1 ? 'One person is' : `${added} people are`} in. Each needs a personal link to open their
            sessions: hand it out now, or once the first session is sent.{' '}
            <Button type="link" size="small" className="link" onClick={() => props.onUndo(state.ids)}>
              Undo
            </Button>
          </p>
        )}
      </Dialog>
      {state.leaving}
    </>
  );
}

/** The first people of a programme: the page itself. */
export function FirstPeople(props: AddPeopleProps & { readonly onAdded: (ids: readonly number[]) => void }) {
  const state = useAddPeople(props);
  const { answered } = state;
  const { onAdded } = props;
  useEffect(() => {
    if (answered?.added) onAdded(answered.ids);
  }, [answered, onAdded]);
  return (
    <form
      className="first-people"
      onSubmit={(event) => {
        event.preventDefault();
        if (state.good > 0) state.add();
      }}
    >
      <PeopleFields state={state} />
      <Button type="primary" size="large" htmlType="submit" loading={state.busy} disabled={state.good === 0}>
        {state.words}
      </Button>
      {state.leaving}
    </form>
  );
}
