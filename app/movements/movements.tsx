import { Checkbox, Input } from 'antd';
import { USAGE_WEEKS } from '../../core/limits.ts';
import { loadMovements, changeMovements } from '../../server/movements/movements-page.ts';
import { useEffect, useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useWindowedRows } from '../parts/use-windowed-rows.ts';
import { plural } from '../../core/words/words.ts';
import type { MovementLibrary } from '../../core/movement/library.ts';
import type { MovementUsage } from '../../core/session/count-usage.ts';
import type { MovementQuery } from '../../core/movement/find-movements.ts';
import { findMovements } from '../../core/movement/find-movements.ts';
import { kitPieces } from '../../core/movement/kit.ts';
import { laddersWith } from '../../core/movement/ladders-with.ts';
import { layerLibrary, withFields } from '../../core/movement/layer.ts';
import { baseLibrary } from '../../core/movement/library.ts';
import type { Movement, Pattern, Position } from '../../core/movement/movement.ts';
import { JOINTS, PATTERNS, POSITIONS } from '../../core/movement/movement.ts';
import { isSpare, SPARE_WORDS, SPARES } from '../../core/movement/spare.ts';
import { coachForm, withProgramme } from '../../server/doors/coach-scope.ts';
import { nowMs } from '../../server/config.ts';
import { formText } from '../../server/http/form-text.ts';
import { ScalesPanel } from './scales.tsx';
import { LadderForm, LadderView } from './ladder-view.tsx';
import { DemandBars, MovementText } from './movement-text.tsx';
import { MovementForm } from './movement-form.tsx';
import { loadFigures } from '../parts/figure/load-figures.ts';
import { MovementWall } from './movement-wall.tsx';
import { FigurePicture } from '../parts/figure/figure-picture.tsx';
import { useLoaded } from '../parts/figure/use-loaded.ts';
import type { SheetFigure } from '../../core/figure/sheet-figure.ts';
import type { Route } from './+types/movements';
import { Choice } from '../parts/fields/choice.tsx';

export { onlyNewPlaces as shouldRevalidate } from '../parts/only-new-places.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Movements · Ysodos' }];

export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(request, params.programmeId, (db, scope) => loadMovements(db, scope, request));
}

export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request);
  const intent = formText(form, 'intent');
  const now = new Date(nowMs());
  return withProgramme(request, params.programmeId, (db, scope) => changeMovements(db, scope, form, intent, now));
}

/** The open movement, drawn alive: fetched after the page. */
const loadMovementFigure = () => import('./movement-figure.tsx');

const BLANK = withFields(undefined, { movementId: 'new', fields: { name: '' } });

export default function Movements({ loaderData, actionData }: Route.ComponentProps) {
  const { layer, usage: usageList, programmeId, firstWeekday } = loaderData;
  const library = useMemo(() => layerLibrary(baseLibrary, layer).library, [layer]);
  const usage = useMemo(() => new Map(usageList), [usageList]);
  const [params, setParams] = useSearchParams();
  const errors: Record<string, string> = actionData?.errors ?? {};
  // What is chosen counts at once; the address follows, so that a place can be kept and shared.
  const [filters, setFilters] = useState<Filters>(
    () => Object.fromEntries(FILTERS.map((key) => [key, params.get(key) ?? ''])) as Filters,
  );
  const set = (key: keyof Filters, value: string) => setFilters((now) => ({ ...now, [key]: value }));
  useEffect(() => {
    const next = withFilters(new URLSearchParams(window.location.search), filters);
    if (next.toString() !== new URLSearchParams(window.location.search).toString())
      setParams(next, { replace: true, preventScrollReset: true });
    // Only what is chosen here moves the address.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [filters]);
  const at = (id: string, edit = '') => {
    const next = withFilters(new URLSearchParams(), filters);
    next.set('m', id);
    if (edit) next.set('edit', edit);
    return `?${next.toString()}`;
  };
  // Read from their names: what the sessions of these weeks have, and what is asked for by words.
  const readings = useMemo(() => {
    const asked = library.read(filters.q)?.movement;
    const used = [...usage.keys()].flatMap((id) => library.readingOf(id)?.movement ?? []);
    return [...new Set([...(asked ? [asked] : []), ...used])];
  }, [library, usage, filters.q]);
  const found = findMovements(library, readFilters(filters), readings);
  const shown = filters.used === 'yes' ? found.filter((m) => usage.has(m.id)) : found;
  const chosen = library.find(params.get('m') ?? '');
  const edit = params.get('edit');
  const figures = useLoaded(loadFigures);
  const alive = useLoaded(loadMovementFigure);
  const figureOf = useMemo(() => (m: Movement) => figures?.sheetFigure(m, library) ?? null, [figures, library]);
  const isOnScales = edit === 'scales' && !chosen;
  return (
    <div className="movements">
      <div className="page-title">
        <h1>Movements</h1>
        <p className="soft">
          {shown.length === library.movements.length
            ? `${shown.length} in the library`
            : `${shown.length} of ${library.movements.length}`}
        </p>
        <div className="movement-acts">
          <Link className="offer" to="?edit=scales">
            Scales of resistance
          </Link>
          <Link className="offer" to="?edit=new">
            Add a movement
          </Link>
        </div>
      </div>
      <div className="movement-tools" role="search">
        <Input
          type="search"
          aria-label="Words"
          placeholder="Words, for instance: wall, quiet, hip"
          value={filters.q}
          onChange={(e) => set('q', e.target.value)}
        />
        <Pick label="pattern" value={filters.pattern} options={PATTERNS} onPick={(v) => set('pattern', v)} />
        <Pick label="position" value={filters.position} options={POSITIONS} onPick={(v) => set('position', v)} />
        <Pick
          label="kit"
          value={filters.kit}
          options={['none', ...kitPieces(library.movements)]}
          onPick={(v) => set('kit', v)}
        />
        <Pick
          label="avoid"
          nothing="nothing to avoid"
          value={filters.spare}
          options={SPARES}
          words={SPARE_WORDS}
          onPick={(v) => set('spare', v)}
        />
        <Checkbox checked={filters.used === 'yes'} onChange={(e) => set('used', e.target.checked ? 'yes' : '')}>
          {' '}
          in use these {USAGE_WEEKS} weeks
        </Checkbox>
        <Checkbox checked={filters.wall === 'yes'} onChange={(e) => set('wall', e.target.checked ? 'yes' : '')}>
          {' '}
          as drawings
        </Checkbox>
      </div>
      <p className="soft small movement-key">
        A bar is how much is asked of that place, in full colour where it is much. In use: on how many days of these{' '}
        {USAGE_WEEKS} weeks it stands.
      </p>
      <div className={chosen || edit === 'new' || isOnScales ? 'people-columns' : ''}>
        {filters.wall === 'yes' && figures && shown.length > 0 ? (
          <MovementWall movements={shown} chosen={chosen} figureOf={figureOf} linkTo={at} />
        ) : (
          <MovementList
            movements={shown}
            figureOf={figureOf}
            library={library}
            usage={usage}
            chosen={chosen}
            columns={chosen || edit === 'new' || isOnScales ? 1 : 2}
            linkTo={(id) => at(id)}
          />
        )}
        {isOnScales && (
          <ScalesPanel
            scales={library.scales}
            own={layer.scales}
            editing={params.get('scale')}
            error={errors.scale ?? ''}
            closePath={`?${withFilters(new URLSearchParams(), filters).toString()}`}
            linkTo={(id) => `?edit=scales&scale=${encodeURIComponent(id)}`}
          />
        )}
        {edit === 'new' && !chosen && (
          <aside className="follow-panel person-panel" aria-label="New movement">
            <Link className="follow-close" to="?" aria-label="Close">
              ×
            </Link>
            <h2>A movement of your own</h2>
            <MovementForm movement={BLANK} isNew errors={errors} library={library} />
          </aside>
        )}
        {chosen && (
          <aside className="follow-panel person-panel" aria-label={chosen.name}>
            <Link
              className="follow-close"
              to={`?${withFilters(new URLSearchParams(), filters).toString()}`}
              aria-label="Close"
              preventScrollReset
            >
              ×
            </Link>
            <h2>{chosen.name}</h2>
            {alive && edit !== 'yes' && <alive.MovementFigure key={chosen.id} movement={chosen} library={library} />}
            {edit === 'yes' ? (
              <MovementForm key={chosen.id} movement={chosen} isNew={false} errors={errors} library={library} />
            ) : (
              <MovementText
                movement={chosen}
                usage={usage.get(chosen.id)?.days ?? []}
                reps={usage.get(chosen.id)?.reps ?? 0}
                heldSec={usage.get(chosen.id)?.heldSec ?? 0}
                programmeId={programmeId}
                firstWeekday={firstWeekday}
                weeks={USAGE_WEEKS}
                isOwn={library.findOnShelf(chosen.id) !== undefined && !baseLibrary.findOnShelf(chosen.id)}
                reading={library.readingOf(chosen.id)}
                isChanged={layer.overrides.some((o) => o.movementId === chosen.id)}
                editPath={at(chosen.id, 'yes')}
              />
            )}
            {edit !== 'yes' &&
              laddersWith(chosen, library).map((l) => (
                <LadderView
                  key={l.id}
                  ladder={{
                    id: l.id,
                    name: l.name,
                    steps: l.steps.map((s) => ({
                      id: s.movementId,
                      name: library.find(s.movementId)?.name ?? s.movementId,
                      change: s.change,
                    })),
                  }}
                  here={chosen.id}
                  linkTo={(id) => at(id)}
                  figureOf={(id) => {
                    const step = library.find(id);
                    return step ? figureOf(step) : null;
                  }}
                  isEditing={edit === l.id}
                  editPath={at(chosen.id, l.id)}
                  isOwn={layer.ladders.some((x) => x.id === l.id)}
                  isShipped={library.ladders.includes(l)}
                  error={errors.ladder ?? ''}
                />
              ))}
            {edit === 'ladder' ? (
              <LadderForm id="" name="" steps={`${chosen.name}: `} error={errors.ladder ?? ''} />
            ) : (
              edit !== 'yes' && (
                <p className="small">
                  <Link to={at(chosen.id, 'ladder')} preventScrollReset>
                    A new ladder with it
                  </Link>
                </p>
              )
            )}
          </aside>
        )}
      </div>
    </div>
  );
}

/** Every row has its place; longer words are cut, and whole in the movement's own panel. */
const ROW_PX = 52;
/** Narrower than this there is one column. */
const TWO_COLUMNS_PX = 900;

interface MovementListProps {
  readonly movements: readonly Movement[];
  readonly figureOf: (movement: Movement) => SheetFigure | null;
  readonly library: MovementLibrary;
  readonly usage: ReadonlyMap<string, MovementUsage>;
  readonly chosen: Movement | undefined;
  readonly columns: 1 | 2;
  readonly linkTo: (id: string) => string;
}

/** The movements in sight, down the rows. */
function MovementList({ movements, figureOf, library, usage, chosen, columns: wanted, linkTo }: MovementListProps) {
  const [isNarrow, setNarrow] = useState(false);
  useEffect(() => {
    const media = window.matchMedia(`(max-width: ${TWO_COLUMNS_PX}px)`);
    const onChange = () => setNarrow(media.matches);
    onChange();
    media.addEventListener('change', onChange);
    return () => media.removeEventListener('change', onChange);
  }, []);
  const columns = isNarrow ? 1 : wanted;
  const { attach, rows, heightPx } = useWindowedRows(Math.ceil(movements.length / columns), ROW_PX);
  if (movements.length === 0)
    return <p className="soft">Nothing like that. Take a filter away, or add the movement.</p>;
  return (
    <div>
      <ListHeads columns={columns} />
      <div ref={attach} style={{ height: heightPx, position: 'relative' }}>
        <ul className="movement-list" aria-label={plural(movements.length, 'movement')}>
          {rows.flatMap(({ index, topPx }) =>
            movements.slice(index * columns, (index + 1) * columns).map((m, column) => {
              const days = usage.get(m.id)?.days.length ?? 0;
              const figure = figureOf(m);
              return (
                <li
                  key={m.id}
                  style={{
                    top: topPx,
                    height: ROW_PX,
                    left: `${(100 * column) / columns}%`,
                    width: `${100 / columns}%`,
                  }}
                  aria-setsize={movements.length}
                  aria-posinset={index * columns + column + 1}
                >
                  <span className="movement-list-picture" aria-hidden="true">
                    {figure && <FigurePicture figure={figure} />}
                  </span>
                  <Link to={linkTo(m.id)} preventScrollReset aria-current={m === chosen || undefined}>
                    {m.name}
                  </Link>
                  <span className="soft small">
                    {[
                      ...(library.findOnShelf(m.id) ? [] : ['read from the name']),
                      m.pattern,
                      m.position,
                      ...m.kit,
                    ].join(', ')}
                  </span>
                  <DemandBars movement={m} />
                  <span className="small num">{days > 0 ? plural(days, 'day') : ''}</span>
                </li>
              );
            }),
          )}
        </ul>
      </div>
    </div>
  );
}

/** Above the list, which bar is which and what the days are; the bars' own words are with each of them. */
function ListHeads({ columns }: { columns: number }) {
  return (
    <div className="movement-heads soft" style={{ gridTemplateColumns: `repeat(${columns}, 1fr)` }} aria-hidden="true">
      {Array.from({ length: columns }, (_, i) => (
        <div key={i}>
          <span />
          <span />
          <span />
          <span className="demand-words">
            {JOINTS.map((joint) => (
              <i key={joint}>{joint}</i>
            ))}
          </span>
          <span className="num">in use</span>
        </div>
      ))}
    </div>
  );
}

const FILTERS = ['q', 'pattern', 'position', 'kit', 'spare', 'used', 'wall'] as const;
type Filters = Record<(typeof FILTERS)[number], string>;

function withFilters(params: URLSearchParams, filters: Filters): URLSearchParams {
  for (const key of FILTERS) {
    if (filters[key]) params.set(key, filters[key]);
    else params.delete(key);
  }
  return params;
}

function readFilters({ q, pattern, position, kit, spare }: Filters): MovementQuery {
  return {
    words: q,
    spares: [spare].filter(isSpare),
    ...(PATTERNS.some((p) => p === pattern) && { pattern: pattern as Pattern }),
    ...(POSITIONS.some((p) => p === position) && { position: position as Position }),
    ...(kit && { kit }),
  };
}

function Pick({
  label,
  value,
  options,
  words = {},
  nothing = `any ${label}`,
  onPick,
}: {
  label: string;
  /** Said where nothing is chosen. */
  nothing?: string;
  value: string;
  options: readonly string[];
  words?: Record<string, string>;
  onPick: (value: string) => void;
}) {
  return (
    <label className="sr-label">
      <span className="sr">{label}</span>
      <Choice
        value={value}
        onChange={onPick}
        className={value ? 'is-set' : ''}
        options={[{ value: '', words: nothing }, ...options.map((o) => ({ value: o, words: words[o] ?? o }))]}
      />
    </label>
  );
}
