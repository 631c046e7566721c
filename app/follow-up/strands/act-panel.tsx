import { Button, Input, Segmented } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { ActKind } from '../../../core/record/attention/attention-rules.ts';
import { ATTENTION_RULES } from '../../../core/record/attention/attention-rules.ts';
import { ACT_WORDS, draftNote, RULE_WORDS } from '../../../words/en/attention.ts';
import type { NeedItem } from './rows.ts';
import { useActFetcher } from './use-act-fetcher.ts';
import { DayField } from '../../parts/fields/day-field.tsx';

interface ActPanelProps {
  readonly item: NeedItem;
  readonly person: {
    readonly id: number;
    readonly name: string;
    readonly isReached: boolean;
    readonly by: string;
    readonly address: string;
    readonly today: string;
    readonly movements: readonly string[];
  };
  readonly coachName: string;
  readonly programmeTitle: string;
  /** `w2d3` as the person has it: `Wed 13 May`, with the date for a form. */
  readonly dayWords: ReadonlyMap<string, { readonly words: string; readonly date: string }>;
  readonly linkTo: (changes: Record<string, string | null>) => string;
}

/** What to do about someone: what it rests on, then the ways, the first of them open. */
export function ActPanel(props: ActPanelProps) {
  const { item, dayWords, linkTo } = props;
  const rule = ATTENTION_RULES[item.code];
  const [kind, setKind] = useState<ActKind>(rule.acts[0]!);
  return (
    <section className="act-panel" aria-label="What to do">
      <h3>{RULE_WORDS[item.code].name}</h3>
      <p>{item.why}</p>
      {item.evidence.length > 0 && (
        <p className="small act-evidence">
          {item.evidence.map(([key, words], i) => (
            <span key={`${key} ${i}`}>
              {i > 0 && ' · '}
              <Link to={linkTo({ day: key })} preventScrollReset>
                {dayWords.get(key)?.words ?? key}
              </Link>{' '}
              <span className="soft">{words}</span>
            </span>
          ))}
        </p>
      )}
      {item.code === 'bounced' && (
        <p>
          <Link to={`../people?person=${item.id}`}>Write another address</Link>, or ask them for one another way.
        </p>
      )}
      <Segmented
        className="act-kinds"
        aria-label="Ways"
        value={kind}
        options={rule.acts.map((k) => ({ value: k, label: ACT_WORDS[k] }))}
        onChange={setKind}
      />
      <ActForm key={`${item.code} ${kind}`} {...props} kind={kind} />
    </section>
  );
}

function ActForm({ item, person, coachName, programmeTitle, dayWords, kind }: ActPanelProps & { kind: ActKind }) {
  const fetcher = useActFetcher();
  const about = `${item.id} ${item.code} ${kind}`;
  const answer = fetcher.data?.about === about ? fetcher.data : undefined;
  const isBusy = fetcher.state !== 'idle';
  const draft = draftNote(item, { name: person.name, coach: coachName, programme: programmeTitle });
  const dates = item.evidence.flatMap(([key]) => dayWords.get(key)?.date ?? []).sort();
  const error = (field: string) =>
    answer?.status === 'refused' &&
    answer.field === field && (
      <p className="field-error" role="alert">
        {answer.message}
      </p>
    );
  return (
    <fetcher.Form method="post" className="act-form">
      <input type="hidden" name="intent" value="act" />
      <input type="hidden" name="about" value={about} />
      <input type="hidden" name="enrolmentId" value={person.id} />
      <input type="hidden" name="code" value={item.code} />
      <input type="hidden" name="occasion" value={item.occasion} />
      <input type="hidden" name="kind" value={kind} />
      {(kind === 'wrote' || kind === 'asked') && (
        <WriteFields
          subject={kind === 'asked' ? 'How is it going?' : programmeTitle}
          words={draft}
          isReached={person.isReached}
        />
      )}
      {error('subject')}
      {error('words')}
      {kind === 'excused' && (
        <>
          <label>
            From
            <DayField name="from" defaultValue={dates[0] ?? person.today} required />
          </label>
          <label>
            to
            <DayField name="to" defaultValue={dates.at(-1) ?? person.today} required />
          </label>
          <p className="soft small">Excused days aren’t due: they don’t count, and don’t break a row.</p>
        </>
      )}
      {kind === 'paused' && (
        <label>
          Until (left empty: until further notice)
          <DayField name="to" defaultValue="" min={person.today} />
        </label>
      )}
      {kind === 'eased' && (
        <p className="soft small">For seven days each session comes in shapes a class easier; then as before.</p>
      )}
      {kind === 'swapped' && (
        <>
          <label>
            Instead of
            <Input name="from" list="act-movements" autoComplete="off" />
          </label>
          <label>
            they do
            <Input name="to" list="act-movements" autoComplete="off" />
          </label>
          <datalist id="act-movements">
            {person.movements.map((m) => (
              <option key={m} value={m} />
            ))}
          </datalist>
        </>
      )}
      {error('from')}
      {error('to')}
      {kind === 'snoozed' && <p className="soft small">It stands here again in seven days, if it still holds.</p>}
      {kind === 'seen' && <p className="soft small">It doesn’t stand here again for this occasion.</p>}
      <p className="act-foot">
        {kind === 'wrote' || kind === 'asked' ? (
          <>
            {person.isReached && (
              <Button type="primary" htmlType="submit" disabled={isBusy}>
                Send to {person.address} {person.by}
              </Button>
            )}{' '}
            <Button
              {...(person.isReached ? { type: 'text', size: 'small', className: 'tool' } : { type: 'primary' })}
              htmlType="submit"
              name="by"
              value="self"
              disabled={isBusy}
            >
              I have written my own way
            </Button>
          </>
        ) : (
          <Button type="primary" htmlType="submit" disabled={isBusy}>
            {kind === 'seen' ? 'Seen' : kind === 'snoozed' ? 'Put it off' : 'Do it'}
          </Button>
        )}
      </p>
    </fetcher.Form>
  );
}

function WriteFields({ subject, words, isReached }: { subject: string; words: string; isReached: boolean }) {
  const [text, setText] = useState(words);
  const [isCopied, setCopied] = useState(false);
  return (
    <>
      {isReached ? (
        <label>
          Subject
          <Input name="subject" defaultValue={subject} maxLength={120} />
        </label>
      ) : (
        <p className="soft small">
          No messages reach them.{' '}
          <Button
            type="text"
            size="small"
            className="tool"
            onClick={() =>
              void navigator.clipboard.writeText(text).then(
                () => setCopied(true),
                () => setCopied(false),
              )
            }
          >
            {isCopied ? 'copied' : 'copy the words'}
          </Button>
        </p>
      )}
      <label>
        Your words
        <Input.TextArea name="words" rows={9} value={text} onChange={(e) => setText(e.target.value)} maxLength={2000} />
      </label>
    </>
  );
}
