import { Button } from 'antd';
import type { Doubt } from '../../../core/notation/own-words/piece.ts';
import { doubtChoices, doubtWords } from '../../../words/en/own-words.ts';

const SHOWN = 8;
/** Of a long stretch so much is said again. */
const MOST_SAID = 60;

/** What is asked of a pasted plan, above everything: each with its choices, one press each. */
export function PasteDoubts({
  source,
  doubts,
  onAnswer,
}: {
  source: string;
  doubts: readonly Doubt[];
  onAnswer: (start: number, choice: number) => void;
}) {
  if (doubts.length === 0) return null;
  return (
    <ul className="paste-doubts" aria-label="What is asked">
      {doubts.slice(0, SHOWN).map(({ start, end, facts, chosen }) => {
        const said = source.slice(start, end);
        const choices = doubtChoices(facts);
        return (
          <li key={start}>
            <span dir="auto">{doubtWords(facts, said.length > MOST_SAID ? `${said.slice(0, MOST_SAID)}…` : said)}</span>
            <span className="paste-choices">
              {choices.map((choice, i) => (
                <Button
                  key={choice}
                  size="small"
                  className={i === chosen ? 'is-chosen' : undefined}
                  aria-pressed={i === chosen}
                  onClick={() => onAnswer(start, i)}
                >
                  {choice}
                </Button>
              ))}
            </span>
          </li>
        );
      })}
      {doubts.length > SHOWN && <li className="soft">and {doubts.length - SHOWN} more</li>}
    </ul>
  );
}
