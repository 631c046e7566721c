import { useEffect, useRef, useState } from 'react';
import type { ReactNode } from 'react';
import { CARE_NOTES } from '../../../core/care.ts';
import type { Hurt } from '../../../core/clock/clock.ts';
import type { FewerChoice, FewerChoices } from './fewer-choice.ts';
import type { SheetFigures } from '../../../core/figure/sheet-figure.ts';
import { FigurePicture } from '../../parts/figure/figure-picture.tsx';
import { HURT_AREAS } from '../../../core/clock/shapes.ts';

/** Something that is done now and could be done in another shape. */
export interface ShapePlace {
  readonly block: number;
  readonly item: number;
  readonly movement: string;
  /** As it is done now. */
  readonly name: string;
  readonly easier: string | null;
  readonly harder: string | null;
  readonly standIns: Readonly<Record<string, string>>;
  /** The options of its line in words, none where nothing is left to choose; and the one that was chosen, from 0. */
  readonly options: readonly string[];
  readonly option: number | null;
}

function Sheet({ title, onClose, children }: { title: string; onClose: () => void; children: ReactNode }) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const before = document.activeElement;
    box.current?.querySelector<HTMLElement>('h2')?.focus();
    const onKey = (event: KeyboardEvent) => {
      if (event.key === 'Escape') onClose();
      event.stopPropagation();
    };
    const element = box.current;
    element?.addEventListener('keydown', onKey);
    return () => {
      element?.removeEventListener('keydown', onKey);
      if (before instanceof HTMLElement) before.focus();
    };
  }, [onClose]);
  return (
    <div className="clock-sheet" role="dialog" aria-modal="true" aria-label={title} ref={box}>
      <div className="clock-sheet-body">
        <h2 tabIndex={-1}>{title}</h2>
        {children}
        <button type="button" className="clock-second" onClick={onClose}>
          Back to the clock
        </button>
      </div>
    </div>
  );
}

/** What a line leaves to choose, a button an option; the one that is done now is pressed. */
export function OptionButtons({
  place,
  onChoose,
}: {
  place: ShapePlace;
  onChoose: (place: ShapePlace, option: number) => void;
}) {
  if (place.options.length === 0) return null;
  return (
    <div className="clock-options" role="group" aria-label="Your choice">
      {place.options.map((words, option) => (
        <button
          key={option}
          type="button"
          className="clock-second"
          aria-pressed={place.option === option}
          onClick={() => onChoose(place, option)}
        >
          {words}
        </button>
      ))}
    </div>
  );
}

/** Easier or harder, for one thing or for everything from here. The clock runs on meanwhile. */
export function ShapeSheet({
  places,
  figures,
  numbers: { fewer, more },
  onStep,
  onNumbers,
  onChoose,
  onClose,
}: {
  places: readonly ShapePlace[];
  figures: SheetFigures;
  numbers: FewerChoices;
  onNumbers: (choice: FewerChoice) => void;
  onStep: (place: ShapePlace | null, by: -1 | 1) => void;
  onChoose: (place: ShapePlace, option: number) => void;
  onClose: () => void;
}) {
  const step = (place: ShapePlace | null, by: -1 | 1, words: string, name = '') => {
    const figure = figures[name];
    return (
      <button type="button" className={`clock-second${figure ? ' is-drawn' : ''}`} onClick={() => onStep(place, by)}>
        {words}
        {figure && (
          <span aria-hidden="true">
            <FigurePicture figure={figure} />
          </span>
        )}
      </button>
    );
  };
  return (
    <Sheet title="Easier or harder" onClose={onClose}>
      {places.map((place) => (
        <div key={place.item} className="clock-sheet-part">
          <p>{place.name}</p>
          <OptionButtons place={place} onChoose={onChoose} />
          {place.easier !== null && step(place, -1, `Easier: ${place.easier}`, place.easier)}
          {place.harder !== null && step(place, 1, `Harder: ${place.harder}`, place.harder)}
          {place.easier === null && place.harder === null && <p className="soft">Nothing easier or harder is known.</p>}
        </div>
      ))}
      <div className="clock-sheet-part">
        <p>Everything from here</p>
        {step(null, -1, 'A step easier')}
        {step(null, 1, 'A step harder')}
        {fewer && (
          <button type="button" className="clock-second" onClick={() => onNumbers(fewer)}>
            Fewer each time: {fewer.after} instead of {fewer.before}
          </button>
        )}
        {more && (
          <button type="button" className="clock-second" onClick={() => onNumbers(more)}>
            More again: {more.after} instead of {more.before}
          </button>
        )}
      </div>
    </Sheet>
  );
}

/** Something hurts: where, the signs to stop at, and what to do instead. */
export function HurtSheet({
  places,
  onHurt,
  onClose,
}: {
  places: readonly ShapePlace[];
  onHurt: (place: ShapePlace, hurt: Pick<Hurt, 'area' | 'did' | 'to'>) => void;
  onClose: () => void;
}) {
  const [place, setPlace] = useState<ShapePlace | null>(places.length === 1 ? places[0]! : null);
  const [area, setArea] = useState<string | null>(null);
  if (!place) {
    return (
      <Sheet title="What hurts?" onClose={onClose}>
        {places.map((p) => (
          <button key={p.item} type="button" className="clock-second" onClick={() => setPlace(p)}>
            {p.name}
          </button>
        ))}
      </Sheet>
    );
  }
  if (area === null) {
    return (
      <Sheet title="Where does it hurt?" onClose={onClose}>
        <div className="clock-areas">
          {HURT_AREAS.map((a) => (
            <button key={a.area} type="button" className="clock-second" onClick={() => setArea(a.area)}>
              {a.area}
            </button>
          ))}
        </div>
        <p>
          <b>{CARE_NOTES.stop}</b>
        </p>
        <button
          type="button"
          className="clock-main"
          onClick={() => onHurt(place, { area: 'chest, breath or head', did: 'ended', to: '' })}
        >
          It is one of these: stop here
        </button>
      </Sheet>
    );
  }
  const standIn = place.standIns[area];
  return (
    <Sheet title={`${place.name}: stop it`} onClose={onClose}>
      <p>{CARE_NOTES.pain}</p>
      <p>{CARE_NOTES.stop}</p>
      {standIn !== undefined && standIn !== place.name && (
        <button
          type="button"
          className="clock-main"
          onClick={() => onHurt(place, { area, did: 'stand-in', to: standIn })}
        >
          Go on with {standIn}
        </button>
      )}
      <button type="button" className="clock-second" onClick={() => onHurt(place, { area, did: 'left-out', to: '' })}>
        Leave it out, go on with the rest
      </button>
      <button type="button" className="clock-second" onClick={() => onHurt(place, { area, did: 'ended', to: '' })}>
        Enough for today
      </button>
      <p className="soft small">Your coach is told: it hurt, where, and what you did.</p>
    </Sheet>
  );
}
