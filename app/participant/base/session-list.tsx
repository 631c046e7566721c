import { useRef, useState } from 'react';
import type { SheetFigure, SheetFigures } from '../../../core/figure/sheet-figure.ts';
import type { MovementNote, MovementNotes } from '../../../core/fit/movement-notes.ts';
import type { Film, SheetBlock, SheetLine } from '../../../core/session/session-sheet.ts';
import { FigurePicture } from '../../parts/figure/figure-picture.tsx';
import { usePlaying } from '../../parts/figure/use-playing.ts';

/** Figures longer than this stand on a line of their own. */
const SHORT_FIGURE = 7;

/** A session as a participant reads it: each block's rule in words, then what to do with its numbers in front. */
export function SessionList({
  blocks,
  notes = {},
  figures = {},
  toMatch = {},
  apart = {},
}: {
  blocks: readonly SheetBlock[];
  notes?: MovementNotes;
  figures?: SheetFigures;
  toMatch?: Readonly<Record<number, string>>;
  /** Why an earlier score isn't held against, by block. */
  apart?: Readonly<Record<number, string>>;
}) {
  return (
    <div className="session-list">
      {blocks.map((block, index) => (
        <section key={index}>
          <h2>
            {block.name} <span className="soft">{block.rule}</span>
          </h2>
          {block.film !== undefined && <FilmLink of={block.name} url={block.film} />}
          {toMatch[index] !== undefined && (
            <p className="to-match">
              Match or beat: <b>{toMatch[index]}</b>
            </p>
          )}
          {apart[index] !== undefined && <p className="soft small">{apart[index]}</p>}
          {block.rules.length > 0 && (
            <ul className="session-rules">
              {block.rules.map((rule) => (
                <li key={rule}>{rule}</li>
              ))}
            </ul>
          )}
          <ol>
            {block.lines.map((line, i) => (
              <Line key={i} line={line} notes={notes} figures={figures} />
            ))}
          </ol>
          {block.thenRest !== undefined && <p className="soft small">{block.thenRest}</p>}
        </section>
      ))}
    </div>
  );
}

/** A film of the coach’s own, as a plain link. */
export function FilmLink({ of, url }: Film) {
  return (
    <a className="film-link" href={url} rel="noreferrer noopener">
      film<span className="sr"> of {of}</span>
    </a>
  );
}

function Line({ line, notes, figures }: { line: SheetLine; notes: MovementNotes; figures: SheetFigures }) {
  const { figure, name, choices = [], details, films = [] } = line;
  if (name === undefined) {
    return (
      <li className="is-rest">
        <b>{figure}</b>
        <div>rest</div>
      </li>
    );
  }
  const picture = choices.map((choice) => figures[choice]).find((known) => known);
  return (
    <li
      className={
        [figure.length > SHORT_FIGURE && 'is-long', picture && 'is-drawn'].filter(Boolean).join(' ') || undefined
      }
    >
      <b>{figure}</b>
      <div>
        {name} <HowTo names={choices} notes={notes} figures={figures} />
        {details !== undefined && <small>{details}</small>}
        {films.map(({ of, url }) => (
          <FilmLink key={of} of={of} url={url} />
        ))}
      </div>
      {picture && <FigurePicture figure={picture} />}
    </li>
  );
}

interface HowToProps {
  readonly names: readonly string[];
  readonly notes: MovementNotes;
  readonly figures: SheetFigures;
}

/** What a movement looks like, set-up, doing and what to watch for, kept folded until asked for. Works without script. */
function HowTo({ names, notes, figures }: HowToProps) {
  const [isOpen, setIsOpen] = useState(false);
  const root = useRef<HTMLDetailsElement>(null);
  usePlaying(root, isOpen ? 'open' : null);
  const known = names.filter((name) => notes[name]);
  if (known.length === 0) return null;
  return (
    <details className="how-to" ref={root} onToggle={(event) => setIsOpen(event.currentTarget.open)}>
      <summary>
        how<span className="sr"> to do {known.join(' or ')}</span>
      </summary>
      {known.map((name) => (
        <HowToNote key={name} note={notes[name]!} name={known.length > 1 ? name : null} figure={figures[name]} />
      ))}
    </details>
  );
}

interface HowToNoteProps {
  readonly note: MovementNote;
  /** Null where there is one movement alone. */
  readonly name: string | null;
  readonly figure: SheetFigure | undefined;
}

function HowToNote({ note, name, figure }: HowToNoteProps) {
  return (
    <div>
      {name !== null && <b>{name}</b>}
      {figure && <FigurePicture figure={figure} />}
      <p>
        {note.setUp}: {note.doing}.
      </p>
      <p>
        Watch for: {note.watchFor}. Breathe {note.breathing}.
      </p>
      {note.cautions.map((c) => (
        <p key={c} className="soft">
          {c}
        </p>
      ))}
    </div>
  );
}
