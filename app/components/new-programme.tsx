import { Checkbox, Form as AntForm, Input, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { useFetcher } from 'react-router';
import { WEEKDAYS } from '../../core/calendar/day.ts';
import { toProgrammeJson } from '../../core/exchange/programme-json.ts';
import type { ProgrammeDocument } from '../../core/progress/programme-document.ts';
import type { action } from '../routes/programmes.tsx';
import { Dialog } from './dialog.tsx';
import { readProgrammeFile } from './plan/read-programme-file.ts';

interface NewProgrammeProps {
  /** What it starts from: `empty`, `example:ID`, `template:ID` or `file`. */
  readonly from: string;
  readonly starts: readonly { readonly from: string; readonly title: string }[];
  readonly nextMonday: string;
  readonly onClose: () => void;
}

interface NewValues {
  title: string;
  from: string;
  weeks: number;
  startsOn: string;
  weekdays: number[];
  lighterEvery: number;
}

/** A new programme: of empty days, from one that is whole, or from a file. */
export function NewProgramme({ from, starts, nextMonday, onClose }: NewProgrammeProps) {
  const fetcher = useFetcher<typeof action>();
  const [form] = AntForm.useForm<NewValues>();
  const [file, setFile] = useState<ProgrammeDocument>();
  const [issues, setIssues] = useState<readonly string[]>([]);
  const start = AntForm.useWatch('from', form) ?? from;
  const errors: Record<string, string> = fetcher.data?.errors ?? {};
  const onFinish = (v: NewValues) => {
    const body = new FormData();
    body.set('title', v.title ?? '');
    body.set('from', v.from);
    body.set('weeks', String(v.weeks ?? ''));
    body.set('startsOn', v.startsOn ?? '');
    body.set('lighterEvery', String(v.lighterEvery ?? 0));
    if (v.from === 'file') body.set('document', file ? JSON.stringify(toProgrammeJson(file)) : '');
    for (const day of v.weekdays ?? []) body.append('weekdays', String(day));
    void fetcher.submit(body, { method: 'post', action: '/programmes' });
  };
  const pick = async (chosen: File) => {
    const answer = await readProgrammeFile(chosen);
    setIssues('issues' in answer ? answer.issues : []);
    setFile('programme' in answer ? answer.programme : undefined);
    if ('programme' in answer && !form.getFieldValue('title')) form.setFieldValue('title', answer.programme.title);
  };
  const help = (name: string) => (errors[name] ? { validateStatus: 'error' as const, help: errors[name] } : {});
  return (
    <Dialog
      open
      title="New programme"
      okText="Make it"
      onCancel={onClose}
      onOk={() => form.submit()}
      busy={fetcher.state !== 'idle'}
      okDisabled={start === 'file' && !file}
    >
      <AntForm
        form={form}
        layout="vertical"
        onFinish={onFinish}
        requiredMark={false}
        initialValues={{
          from,
          title: starts.find((s) => s.from === from)?.title ?? '',
          weeks: 4,
          startsOn: nextMonday,
          weekdays: [1, 3, 5],
          lighterEvery: 4,
        }}
        onValuesChange={(changed: Partial<NewValues>) => {
          const found = changed.from && starts.find((s) => s.from === changed.from);
          if (found && !form.getFieldValue('title')) form.setFieldValue('title', found.title);
        }}
      >
        <AntForm.Item name="title" label="Title" {...help('title')}>
          <Input maxLength={120} autoComplete="off" />
        </AntForm.Item>
        <div className="two-fields">
          <AntForm.Item name="from" label="Start from" {...help('from')}>
            <Select
              options={[
                { value: 'empty', label: 'empty days' },
                ...starts.map((s) => ({ value: s.from, label: s.title })),
                { value: 'file', label: 'a file' },
              ]}
            />
          </AntForm.Item>
          <AntForm.Item name="startsOn" label="Starts on a Monday" {...help('startsOn')}>
            <Input type="date" />
          </AntForm.Item>
        </div>
        {start === 'file' && (
          <>
            <p>
              <label className="file-pick">
                A programme’s file{' '}
                <input
                  type="file"
                  accept=".json,.zip"
                  onChange={(event) => {
                    if (event.target.files?.[0]) void pick(event.target.files[0]);
                  }}
                />
              </label>
            </p>
            {file && (
              <p role="status" className="soft">
                “{file.title}”: {file.weeks} {file.weeks === 1 ? 'week' : 'weeks'}, {file.days.length}{' '}
                {file.days.length === 1 ? 'session' : 'sessions'}, {file.tracks.length}{' '}
                {file.tracks.length === 1 ? 'track' : 'tracks'}.
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
        {start === 'empty' && (
          <>
            <div className="two-fields">
              <AntForm.Item name="weeks" label="Weeks" {...help('weeks')}>
                <InputNumber min={1} max={52} />
              </AntForm.Item>
              <AntForm.Item name="lighterEvery" label="A lighter one">
                <Select
                  options={[
                    { value: 0, label: 'none' },
                    ...[3, 4, 5, 6].map((n) => ({ value: n, label: `every ${n}${n === 3 ? 'rd' : 'th'}` })),
                  ]}
                />
              </AntForm.Item>
            </div>
            <AntForm.Item name="weekdays" label="Sessions on" {...help('weekdays')}>
              <Checkbox.Group options={WEEKDAYS.map((w, i) => ({ label: w.slice(0, 3), value: i + 1 }))} />
            </AntForm.Item>
          </>
        )}
      </AntForm>
    </Dialog>
  );
}
