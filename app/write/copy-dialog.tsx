import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { Link, useFetcher } from 'react-router';
import { dayName, parseDayKey, weekdaysFrom } from '../../core/calendar/day.ts';
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

/** Where a session is copied to: a programme, then a day of it. What stands there is shown, and never replaced unasked. */
export function CopyDialog({ open, text, programmeId, dayKey, programmes, onClose }: CopyDialogProps) {
  const [target, setTarget] = useState(programmeId.split('-')[0]!);
  const [toDay, setToDay] = useState<string>();
  const days = useFetcher<typeof daysLoader>();
  const copy = useFetcher<typeof copyAction>();
  const undo = useFetcher();
  const { load } = days;
  const isOpen = open;
  useEffect(() => {
    if (isOpen) void load(`/programmes/${target}/days`);
  }, [isOpen, target, load]);
  const titles = new Map(days.data?.days.map((d) => [d.key, d]));
  const chosen = toDay === undefined ? undefined : titles.get(toDay);
  const answer = copy.data;
  const done = answer?.status === 'copied' ? answer : undefined;
  const [isUndone, setUndone] = useState(false);
  const send = () => {
    setUndone(false);
    void copy.submit(
      { text, toProgramme: String(target), toDay: toDay ?? '', replace: chosen?.title ? 'yes' : '' },
      { method: 'post', action: `/programmes/${programmeId}/copy` },
    );
  };
  const close = () => {
    setToDay(undefined);
    onClose();
  };
  const place = toDay === undefined ? undefined : parseDayKey(toDay);
  return (
    <Dialog
      open={open}
      wide
      title="Copy this session to"
      okText={chosen?.title ? `Replace “${chosen.title}”` : 'Copy'}
      okDisabled={toDay === undefined}
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
                setToDay(undefined);
              }}
              options={programmes.map((p) => ({ value: String(p.id), words: p.title }))}
            />
          </label>
        </div>
      )}
      {answer && answer.status !== 'copied' && (
        <p className="notice bad" role="alert">
          {answer.error}
        </p>
      )}
      {done && (
        <p className="notice" role="status">
          {isUndone ? (
            `Undone: ${done.words} is as it was.`
          ) : (
            <>
              Copied to <Link to={done.path}>{done.words}</Link>.{' '}
              <Button
                type="link"
                size="small"
                className="link"
                onClick={() => {
                  setUndone(true);
                  void undo.submit(
                    { text: done.before, revision: done.revision },
                    { method: 'post', action: `${done.path}/draft`, encType: 'application/json' },
                  );
                }}
              >
                Undo
              </Button>
            </>
          )}
        </p>
      )}
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
                      aria-pressed={key === toDay}
                      className={there ? (there.title ? 'is-taken' : 'is-empty') : ''}
                      onClick={() => setToDay(key)}
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
      {place && chosen?.title && (
        <p className="small">
          {dayName(place, days.data!.firstWeekday)} holds “{chosen.title}”
          {chosen.isSent ? ', which was sent; what was sent stays as it is until you send again' : ''}.
        </p>
      )}
    </Dialog>
  );
}
