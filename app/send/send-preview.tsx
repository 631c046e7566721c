import { Button, Input, Segmented } from 'antd';
import { useState } from 'react';
import { Form, useFetcher, useSearchParams, useSubmit } from 'react-router';
import type { SessionSheet } from '../../core/session/session-sheet.ts';
import type { loader as findLoader } from '../shell/find.ts';
import type { SheetFigures } from '../../core/figure/sheet-figure.ts';
import type { PackedRibbon } from '../charts/session/pack-ribbon.ts';
import { TodayCard } from '../participant/base/today-card.tsx';

interface Preview {
  readonly sheet: SessionSheet;
  readonly ribbon: PackedRibbon;
  readonly figures: SheetFigures;
  readonly changes: readonly string[];
  readonly subject: string;
  readonly text: string;
  readonly as: { readonly id: number; readonly name: string } | null;
}

/** What participants see, as anyone or as one of them: on their phone, or as the message. */
export function SendPreview({ preview, above, programmeId }: { preview: Preview; above: string; programmeId: string }) {
  const [search, setSearch] = useSearchParams();
  const isMessage = search.get('see') === 'message';
  const submit = useSubmit();
  const found = useFetcher<typeof findLoader>();
  const [words, setWords] = useState('');
  const set = (changes: Record<string, string | null>) =>
    setSearch(
      (now) => {
        const next = new URLSearchParams(now);
        for (const [name, value] of Object.entries(changes)) {
          if (value === null) next.delete(name);
          else next.set(name, value);
        }
        return next;
      },
      { preventScrollReset: true },
    );
  return (
    // It scrolls: by key too, also where nothing in it can be pressed.
    <section className="send-phone" aria-label="What participants see" tabIndex={0}>
      <div className="send-see no-print">
        <Segmented
          aria-label="See it"
          size="small"
          value={isMessage ? 'message' : ''}
          options={[
            { value: '', label: 'On the phone' },
            { value: 'message', label: 'As the message' },
          ]}
          onChange={(see) => set({ see: see === '' ? null : see })}
        />
        <Form className="send-as" onSubmit={(event) => event.preventDefault()}>
          <label>
            as{' '}
            <Input
              value={words}
              placeholder={preview.as?.name ?? 'anyone'}
              onChange={(event) => {
                setWords(event.target.value);
                void found.load(`/programmes/${programmeId}/find?q=${encodeURIComponent(event.target.value)}`);
              }}
            />
          </label>
          {words !== '' && (
            <ul className="send-found">
              {(found.data ?? []).map((p) => (
                <li key={p.enrolmentId}>
                  <Button
                    type="text"
                    size="small"
                    onClick={() => {
                      setWords('');
                      set({ as: String(p.enrolmentId) });
                    }}
                  >
                    {p.name} <span className="soft small">{p.detail}</span>
                  </Button>
                </li>
              ))}
              {found.data?.length === 0 && <li className="soft small">Nobody of that name.</li>}
            </ul>
          )}
          {preview.as && (
            <Button type="text" size="small" className="tool" onClick={() => set({ as: null })}>
              as anyone
            </Button>
          )}
        </Form>
      </div>
      {isMessage ? (
        <article className="send-message">
          <h2>{preview.subject}</h2>
          <pre>{preview.text}</pre>
        </article>
      ) : (
        <div className="person">
          <TodayCard sheet={preview.sheet} ribbon={preview.ribbon} figures={preview.figures} above={above} isPart />
        </div>
      )}
      {preview.as && preview.changes.length > 0 && (
        <ul className="small send-changes">
          {preview.changes.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      )}
      <p>
        <Button
          htmlType="button"
          onClick={() => void submit({ intent: 'test', as: String(preview.as?.id ?? '') }, { method: 'post' })}
        >
          Send it to me first
        </Button>
      </p>
    </section>
  );
}
