import { Button } from 'antd';
import { Fragment, useEffect, useState } from 'react';
import { Link, useFetcher } from 'react-router';
import { weekdaysFrom } from '../../core/calendar/day.ts';
import { listWords } from '../../core/words/words.ts';
import { copiedBackWords, copyWords } from '../../words/en/plan.ts';
import type { action as copyAction } from './copy.ts';
import type { loader as daysLoader } from '../plan/days.ts';
import { Dialog } from '../parts/dialog.tsx';
import { Choice } from '../parts/fields/choice.tsx';

interface CopyDialogProps {
  readonly open: boolean;
  readonly text: string;
  readonly programmeId: string;
  readonly dayKey: string;
  readonly programmes: readonly { readonly id: number; readonly title: string }[];
  readonly onClose: () => void;
}

/** Where a session is copied to: a programme, then days of it. What stands there is shown, and never replaced unasked. */
export function CopyDialog({ open, text, programmeId, dayKey, programmes, onClose }: CopyDialogProps) {
  const [target, setTarget] = useState(programmeId.split('-')[0]!);
  const [toDays, setToDays] = useState<readonly string[]>([]);
  const days = useFetcher<typeof daysLoader>();
  const copy = useFetcher<typeof copyAction>();
  const undo = useFetcher<typeof copyAction>();
  const { load } = days;
  const isOpen = open;
  const { data: copyData } = copy;
  const { data: undoData } = undo;
  useEffect(() => {
    if (isOpen) void load(`/programmes/${target}/days`);
  }, [isOpen, target, load, copyData, undoData]);
  const titles = new Map(days.data?.days.map((d) => [d.key, d]));
  const taken = toDays.flatMap((key) => titles.get(key)?.title || []);
  const sent = toDays.filter((key) => titles.get(key)?.isSent);
  const answer = copy.data;
  const done = answer?.status === 'copied' ? answer : undefined;
  const back = undo.data;
  const [isUndone, setUndone] = useState(false);
  const action = `/programmes/${programmeId}/copy`;
  const send = () => {
    setUndone(false);
    void copy.submit(
      { text, toProgramme: String(target), toDay: toDays.join(' '), replace: taken.length > 0 ? 'yes' : '' },
      { method: 'post', action },
    );
  };
  const takeBack = ({ toProgramme, copied }: NonNullable<typeof done>) => {
    setUndone(true);
    void undo.submit(
      { intent: 'take-back', toProgramme: String(toProgramme), copied: JSON.stringify(copied) },
      { method: 'post', action },
    );
  };
  // What was copied stands there now: the days are looked at again, and none of them is chosen any more.
  const [seen, setSeen] = useState<typeof done>();
  if (done && done !== seen) {
    setSeen(done);
    setToDays([]);
  }
  const close = () => {
    setToDays([]);
    onClose();
  };
  const toggle = (key: string) =>
    setToDays((now) => (now.includes(key) ? now.filter((k) => k !== key) : [...now, key]));
  return (
    <Dialog
      open={open}
      wide
      title="Copy this session to"
      okText={copyWords(toDays.length, taken)}
      okDisabled={toDays.length === 0}
      busy={copy.state !== 'idle'}
      cancelText="Close"
      onOk={send}
      onCancel={close}
    >
      {programmes.length > 1 && (
        <div>
          <label>
            Programme{' '}
            <Choice
              value={target}
              onChange={(programme) => {
                setTarget(programme);
                setToDays([]);
              }}
              options={programmes.map((p) => ({ value: String(p.id), words: p.title }))}
            />
          </label>
        </div>
      )}
      {answer?.error && (
        <p className="notice bad" role="alert">
          {answer.error}
        </p>
      )}
      {done && (
        <p className={`notice${isUndone && back?.error ? ' bad' : ''}`} role="status">
          {!isUndone ? (
            <>
              Copied to{' '}
              {done.days.map((d, i) => (
                <Fragment key={d.key}>
                  {i > 0 && ', '}
                  <Link to={`/programmes/${done.toProgramme}/write/${d.key}`}>{d.words}</Link>
                </Fragment>
              ))}
              {done.toTitle && ` of ${done.toTitle}`}.{' '}
              <Button type="link" size="small" className="link" onClick={() => takeBack(done)}>
                Undo
              </Button>
            </>
          ) : undo.state !== 'idle' ? (
            'Putting it back …'
          ) : (
            back?.error || `Undone: ${copiedBackWords(done.days.map((d) => d.words))}.`
          )}
        </p>
      )}
      <p className="small soft">Press as many days as you like; press one again to leave it out.</p>
      <div className="copy-days" role="grid" aria-label="Days">
        {days.data &&
          Array.from({ length: days.data.weeks }, (_, w) => (
            <div role="row" key={w}>
              <span role="rowheader" className="soft small">
                week {w + 1}
              </span>
              {weekdaysFrom(days.data!.firstWeekday).map((name, d) => {
                const key = `w${w + 1}d${d + 1}`;
                const there = titles.get(key);
                const isSelf = target === programmeId && key === dayKey;
                return (
                  <span role="gridcell" key={key}>
                    <button
                      type="button"
                      disabled={isSelf}
                      aria-pressed={toDays.includes(key)}
                      className={there ? (there.title ? 'is-taken' : 'is-empty') : ''}
                      onClick={() => toggle(key)}
                      title={there?.title ?? ''}
                    >
                      <b>{name.slice(0, 3)}</b> <span className="sr">week {w + 1}</span>
                      {there?.title && <span>{there.title}</span>}
                    </button>
                  </span>
                );
              })}
            </div>
          ))}
      </div>
      {taken.length > 0 && (
        <p className="small">
          {listWords(taken.map((title) => `“${title}”`))} {taken.length === 1 ? 'is' : 'are'} replaced
          {sent.length > 0 && '; what was sent stays as it is until you send again'}.
        </p>
      )}
    </Dialog>
  );
}
