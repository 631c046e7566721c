import { useState } from 'react';
import type { Doubt, Piece } from '../../../core/notation/own-words/piece.ts';
import { PIECE_WORDS } from '../../../words/en/own-words.ts';

/** The pasted text with its pieces marked, beside the lines that they became: what is touched here lights up there. */
export function ReadSource({
  source,
  pieces,
  doubts,
  text,
}: {
  source: string;
  pieces: readonly Piece[];
  doubts: readonly Doubt[];
  text: string;
}) {
  const [line, setLine] = useState<number | null>(null);
  const lines = text.trimEnd().split('\n');
  const isAsked = (piece: Piece) => doubts.some((d) => piece.start >= d.start && piece.end <= d.end);
  return (
    <div className="paste-columns">
      <section aria-label="What was pasted">
        <p className="paste-source" dir="auto">
          {stretches(source, pieces).map(({ key, said, piece }) =>
            piece ? (
              <mark
                key={key}
                className={`is-${isAsked(piece) ? 'asked' : piece.as === 'note' ? 'note' : 'read'}${line !== null && piece.line === line ? ' is-lit' : ''}`}
                title={PIECE_WORDS[piece.as]}
                onClick={() => setLine(piece.line)}
                onPointerEnter={() => setLine(piece.line)}
              >
                {said}
              </mark>
            ) : (
              <span key={key}>{said}</span>
            ),
          )}
        </p>
      </section>
      <section aria-label="What it became">
        {text === '' ? (
          <p className="soft">
            No exercise could be read in this. A line with a number and a movement is enough: “10 squats”.
          </p>
        ) : (
          <ol className="paste-lines">
            {lines.map((words, i) => (
              <li key={i} className={line === i + 1 ? 'is-lit' : undefined}>
                {words === '' ? (
                  ' '
                ) : (
                  <button type="button" onClick={() => setLine(i + 1)} onFocus={() => setLine(i + 1)}>
                    {words}
                  </button>
                )}
              </li>
            ))}
          </ol>
        )}
      </section>
    </div>
  );
}

/** The source in stretches: each piece, and what lies between. Stretches of other days are left out. */
function stretches(source: string, pieces: readonly Piece[]) {
  const [from, to] = [pieces[0]?.start ?? 0, pieces.at(-1)?.end ?? source.length];
  const found: { key: number; said: string; piece?: Piece }[] = [];
  let at = from;
  for (const piece of pieces) {
    if (piece.start > at) found.push({ key: at, said: source.slice(at, piece.start) });
    found.push({ key: piece.start + 0.5, said: source.slice(piece.start, piece.end), piece });
    at = Math.max(at, piece.end);
  }
  if (to > at) found.push({ key: at, said: source.slice(at, to) });
  return found;
}
