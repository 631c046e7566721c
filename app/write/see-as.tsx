import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import { useFetcher } from 'react-router';
import { countShapes, SEEN_AS } from '../../core/fit/count-shapes.ts';
import { explainChange } from '../../core/fit/fit-change.ts';
import { libraryFor } from '../../core/fit/paced-library.ts';
import { fitSession } from '../../core/fit/fit-session.ts';
import type { MovementLibrary } from '../../core/movement/library.ts';
import { formatLength } from '../../core/session/explain/explain.ts';
import type { SessionAnalysis } from '../../core/session/analyse.ts';
import { computePlan } from '../../core/session/plan.ts';
import type { SeenPerson } from './seen-person.ts';
import { layoutRibbon } from '../charts/ribbon-layout.ts';
import { Ribbon } from '../charts/session/ribbon.tsx';
import { Choice } from '../parts/fields/choice.tsx';

interface SeeAsProps {
  readonly analysis: SessionAnalysis;
  readonly library: MovementLibrary;
  readonly programmeId: string;
  /** How many people the programme has. */
  readonly count: number;
}

const NOBODY: readonly SeenPerson[] = [];

const WIDTH = 330;

/** The session through someone else's eyes: what changes for them, and how many do which shape. */
export function SeeAs({ analysis, library, programmeId, count }: SeeAsProps) {
  const crowd = useFetcher<readonly SeenPerson[]>();
  const { load } = crowd;
  // Once the page stands: the session comes first, and four hundred people weigh more than it.
  useEffect(() => {
    if (count > 0) void load(`/programmes/${programmeId}/crowd`);
  }, [load, programmeId, count]);
  const people = crowd.data ?? NOBODY;
  const [as, setAs] = useState('');
  const { document, blocks } = useDeferredValue(analysis);
  const person = as in SEEN_AS ? SEEN_AS[as as keyof typeof SEEN_AS] : people.find((p) => String(p.id) === as)?.person;
  const fitted = useMemo(
    () => (person ? fitSession(document, blocks, person, library) : undefined),
    [document, blocks, person, library],
  );
  const plan = useMemo(
    () => (fitted && person ? computePlan(fitted.document, libraryFor(person, library)) : undefined),
    [fitted, person, library],
  );
  const shapes = useMemo(
    () =>
      as === 'all'
        ? countShapes(
            document,
            blocks,
            people.map((p) => p.person),
            library,
          )
        : [],
    [as, document, blocks, people, library],
  );
  if (blocks.length === 0) return null;
  return (
    <section className="see-as">
      <h2>
        <label>
          See as{' '}
          <Choice
            value={as}
            onChange={setAs}
            options={[
              { value: '', words: 'as written' },
              'gentle',
              'standard',
              'strong',
              ...(count > 0 ? [{ value: 'all', words: `all ${count}: who gets what` }] : []),
              ...people.map((p) => ({ value: String(p.id), words: p.name })),
            ]}
          />
        </label>
      </h2>
      {fitted && plan && (
        <>
          <p className="soft small">
            {fitted.changes.length === 0
              ? 'Just as it is written.'
              : `${formatLength(plan.clockSec)}, ${fitted.changes.length === 1 ? 'one line' : `${fitted.changes.length} lines`} in another shape.`}
          </p>
          {fitted.changes.length > 0 && <Ribbon layout={layoutRibbon(plan, { widthPx: WIDTH, heightPx: 30 })} />}
          <ul>
            {fitted.changes.map((c, i) => (
              <li key={i}>{explainChange(c)}</li>
            ))}
            {fitted.unjudged.map((name) => (
              <li key={name}>
                <b>{name}</b> <span className="soft">isn’t in the library: judge it yourself</span>
              </li>
            ))}
          </ul>
        </>
      )}
      {as === 'all' && people.length < count && <p className="soft small">Fetching who they are …</p>}
      {as === 'all' &&
        people.length >= count &&
        (shapes.length === 0 ? (
          <p className="soft small">Everyone does it as it is written.</p>
        ) : (
          <ul>
            {shapes.map((s) => (
              <li key={`${s.block}-${s.item}`}>
                <b>{s.written}</b> {s.asWritten} <span className="soft">as written</span>
                {s.others.map((o) => (
                  <span key={o.name}>
                    , {o.people} <span className="soft">{o.name}</span>
                  </span>
                ))}
              </li>
            ))}
          </ul>
        ))}
    </section>
  );
}
