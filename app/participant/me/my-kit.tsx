import { Form } from 'react-router';
import { STAND_IN_WORDS } from '../../../core/movement/kit.ts';
import type { Note } from './me-pages.ts';

/** Pieces shown at once, those that most movements ask for; the others behind one more tap. */
const MOST_USUAL = 12;

/** What is at hand: anything, or only this. */
export function MyKit({ pieces, kit, note }: { pieces: readonly string[]; kit: readonly string[] | null; note: Note }) {
  const box = (piece: string) => (
    <label key={piece}>
      <input type="checkbox" name="kit" value={piece} defaultChecked={kit?.includes(piece) ?? false} /> <b>{piece}</b>
      {Object.hasOwn(STAND_IN_WORDS, piece) && <small>{STAND_IN_WORDS[piece]}</small>}
    </label>
  );
  const isUsual = (piece: string, i: number) => i < MOST_USUAL || (kit?.includes(piece) ?? false);
  const usual = pieces.filter(isUsual);
  const rare = pieces.filter((piece, i) => !isUsual(piece, i));
  return (
    <Form method="post" preventScrollReset>
      {note('kit')}
      <input type="hidden" name="part" value="kit" />
      <fieldset>
        <legend className="sr">Kit</legend>
        <label>
          <input type="radio" name="kit-said" value="all" defaultChecked={kit === null} /> I find whatever a session
          asks for
        </label>
        <label>
          <input type="radio" name="kit-said" value="only" defaultChecked={kit !== null} /> I have only this:
        </label>
        <div className="me-kit">{usual.map(box)}</div>
        {rare.length > 0 && (
          <details className="me-kit-more">
            <summary>Other kit</summary>
            <div className="me-kit">{rare.map(box)}</div>
          </details>
        )}
      </fieldset>
      <button className="quiet-button" type="submit">
        Save my kit
      </button>
    </Form>
  );
}
