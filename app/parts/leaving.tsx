import { Button } from 'antd';
import { useRef, useState } from 'react';
import { plural } from '../../core/words/words.ts';
import type { Leaving, LeavingAsked, LeavingChoice } from '../../server/send/send-decision.ts';
import { Dialog } from './dialog.tsx';
import { sumTold, toldWords } from '../../core/channels/channels.ts';

const isAsked = (answer: unknown): answer is LeavingAsked =>
  typeof answer === 'object' && answer !== null && 'leaving' in answer;

/** An answer, unless it only asks what is to become of sessions that would leave. */
export const unlessAsked = <T,>(answer: T): Exclude<T, LeavingAsked> | undefined =>
  isAsked(answer) ? undefined : (answer as Exclude<T, LeavingAsked>);

export type Fields = Readonly<Record<string, string>> | FormData;

/** What was filled in, with a choice added. */
function withChoice(fields: Fields, choice: LeavingChoice): FormData {
  const form = new FormData();
  for (const [name, value] of fields instanceof FormData ? fields : Object.entries(fields)) form.append(name, value);
  form.set('leaving', choice);
  return form;
}

/**
 * Asks before sessions leave. `answer` is what the server said to the last change, `post` posts one: with the choice too, once that is
 * made. A change is posted by `send`, or by a form within an element that has `onSubmitCapture`.
 */
export function useLeaving<T>(answer: unknown, post: (fields: Fields) => T, busy: boolean) {
  const last = useRef<Fields>({});
  const [left, setLeft] = useState<unknown>();
  const asked = isAsked(answer) && answer !== left ? answer.leaving : undefined;
  return {
    send: (fields: Fields): T => {
      last.current = fields;
      return post(fields);
    },
    onSubmitCapture: (event: React.FormEvent) => {
      const { submitter } = event.nativeEvent as SubmitEvent;
      last.current = new FormData(event.target as HTMLFormElement, submitter);
    },
    dialog: (
      <LeavingDialog
        asked={asked}
        busy={busy}
        onCancel={() => setLeft(answer)}
        onChoose={(choice) => post(withChoice(last.current, choice))}
      />
    ),
  };
}

const CHOICES: readonly { choice: LeavingChoice; title: string; says: (of: Leaving) => string }[] = [
  {
    choice: 'send',
    title: 'Send now',
    says: ({ told }) =>
      sumTold(told) > 1 ? 'It can be stopped for five minutes, before the first message leaves.' : '',
  },
  {
    choice: 'next',
    title: 'From their next session on',
    says: ({ people }) => `${people === 1 ? 'They don’t' : 'None of them'} get this one, and it counts as not due.`,
  },
  { choice: 'hold', title: 'Hold it', says: () => 'It waits under Send until you let it go.' },
];

function LeavingDialog({
  asked,
  busy,
  onChoose,
  onCancel,
}: {
  asked: Leaving | undefined;
  busy: boolean;
  onChoose: (choice: LeavingChoice) => void;
  onCancel: () => void;
}) {
  const [chosen, setChosen] = useState<LeavingChoice>();
  return (
    <Dialog
      open={asked !== undefined}
      title={asked ? `This sends to ${plural(asked.people, 'person', 'people')} at once` : ''}
      okText={null}
      cancelText="Change nothing"
      busy={busy}
      onCancel={onCancel}
      onOk={onCancel}
    >
      {asked && (
        <>
          <ul className="leaving-days">
            {asked.days.map((d) => (
              <li key={`${d.title} ${d.words}`}>
                <b>{d.title}</b>, {d.words}
                {asked.days.length > 1 && `: ${plural(d.people, 'person', 'people')}`}
              </li>
            ))}
          </ul>
          <p>{waysWords(asked)}</p>
          <ul className="leaving-choices">
            {CHOICES.map(({ choice, title, says }) => (
              <li key={choice}>
                <Button
                  block
                  loading={busy && chosen === choice}
                  onClick={() => {
                    // What is loaded anew behind the question is no reason to wait with the answer.
                    setChosen(choice);
                    onChoose(choice);
                  }}
                >
                  {title}
                </Button>
                <span className="soft small">{says(asked)}</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </Dialog>
  );
}

/** `20 get it by e-mail, 4 by text, 2 find it on their page.` */
function waysWords({ told, byPage }: Leaving): string {
  const parts = [
    sumTold(told) > 0 && `Told: ${toldWords(told).join(', ')}`,
    byPage > 0 && `${byPage} on their page alone`,
  ];
  return `${parts.filter((w) => w !== false && w !== undefined).join('; ')}.`;
}
