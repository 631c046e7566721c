import { useMemo, useState } from 'react';
import { useFetcher } from 'react-router';
import type { DayDate } from '../../core/calendar/day.ts';
import { PEOPLE_COLUMNS, readPeopleCsv } from '../../core/exchange/people-csv.ts';
import { SPARE_WORDS } from '../../core/movement/spare.ts';
import type { action as csvAction } from '../routes/programmes/people-csv.ts';
import { Dialog } from './dialog.tsx';

interface PeopleCsvDialogProps {
  readonly open: boolean;
  readonly programmeId: number;
  readonly defaults: { readonly timeZone: string; readonly joinedOn: DayDate };
  readonly existing: readonly string[];
  readonly onClose: () => void;
}

const SHOWN = 60;

/** A roster from a file: every row shown as it would be read before any of it is written. */
export function PeopleCsvDialog({ open, programmeId, defaults, existing, onClose }: PeopleCsvDialogProps) {
  const [text, setText] = useState('');
  const fetcher = useFetcher<typeof csvAction>();
  const csv = useMemo(() => readPeopleCsv(text, defaults, existing), [text, defaults, existing]);
  const good = csv.rows.filter((r) => r.person);
  const bad = csv.rows.length - good.length;
  const answer = fetcher.state === 'idle' ? fetcher.data : undefined;
  const added = answer?.added ?? null;
  const done = added !== null;
  const close = () => {
    setText('');
    fetcher.reset();
    onClose();
  };
  return (
    <Dialog
      open={open}
      wide
      title="Bring people in"
      busy={fetcher.state !== 'idle'}
      cancelText={done ? null : 'Cancel'}
      onCancel={close}
      okDisabled={!done && good.length === 0}
      okText={
        done
          ? 'Good'
          : good.length === 0
            ? 'Bring in'
            : `Bring in ${good.length} ${good.length === 1 ? 'person' : 'people'}${bad > 0 ? `, leave out ${bad}` : ''}`
      }
      onOk={() =>
        done
          ? close()
          : void fetcher.submit(
              { text, skip: bad > 0 ? 'yes' : '' },
              { method: 'post', action: `/programmes/${programmeId}/people-csv` },
            )
      }
    >
      {done ? (
        <p role="status">
          {added === 1 ? 'One person is' : `${added} people are`} in. Their links are made one by one, in the list.
        </p>
      ) : (
        <>
          <p className="soft small">
            A table with a header line: {PEOPLE_COLUMNS.join(', ')}. Only the name is needed; lists in a cell are parted
            by “;”.
          </p>
          <p>
            <label className="file-pick">
              Choose a file{' '}
              <input
                type="file"
                accept=".csv,.tsv,.txt,text/csv"
                onChange={(event) => void event.target.files?.[0]?.text().then(setText)}
              />
            </label>
          </p>
          <label>
            or paste it
            <textarea
              className="csv-text"
              rows={5}
              value={text}
              onChange={(event) => setText(event.target.value)}
              placeholder={'name,time zone,kit,spare,level\nAda Fennick,Europe/Lisbon,chair; band,knees,3'}
            />
          </label>
          {answer?.error && (
            <p className="field-error" role="alert">
              {answer.error}
            </p>
          )}
          {text.trim() !== '' && csv.error && (
            <p className="field-error" role="alert">
              {csv.error}
            </p>
          )}
          {csv.unknownColumns.length > 0 && <p className="soft small">Not read: {csv.unknownColumns.join(', ')}.</p>}
          {csv.rows.length > 0 && (
            <table className="csv-rows">
              <thead>
                <tr>
                  <th>Line</th>
                  <th>Name</th>
                  <th>What is read</th>
                </tr>
              </thead>
              <tbody>
                {csv.rows.slice(0, SHOWN).map((r) => (
                  <tr key={r.line}>
                    <td>{r.line}</td>
                    <td>
                      <b>{r.name || '–'}</b>
                    </td>
                    <td>
                      {r.person
                        ? [
                            r.person.detail,
                            r.person.timeZone,
                            r.person.kit ? `kit: ${r.person.kit.join(', ') || 'none'}` : '',
                            r.person.spares.map((s) => SPARE_WORDS[s]).join(', '),
                          ]
                            .filter(Boolean)
                            .join(' · ')
                        : r.errors.map((e) => (
                            <span key={e.column} className="plan-off">
                              {e.column}: {e.message}{' '}
                            </span>
                          ))}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          {csv.rows.length > SHOWN && (
            <p className="soft small">
              and {csv.rows.length - SHOWN} more rows, {csv.rows.slice(SHOWN).filter((r) => !r.person).length} of them
              with an error
            </p>
          )}
        </>
      )}
    </Dialog>
  );
}
