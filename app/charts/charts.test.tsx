import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../core/movement/library.ts';
import { parseSession } from '../../core/notation/read-session.ts';
import type { StrandBead } from '../../core/record/adherence/build-strand.ts';
import { computePlan } from '../../core/session/plan.ts';
import { STATE_WORDS } from '../../words/en/days.ts';
import { Bead, beadMarkup } from './session/bead.tsx';
import { layoutLeverLine } from '../plan/charts/lever-line-layout.ts';
import { LeverLine } from '../plan/charts/lever-line.tsx';
import { layoutRibbon } from './ribbon-layout.ts';
import { Ribbon, RibbonHatch } from './session/ribbon.tsx';
import { StrandRow } from './strand-row.tsx';
import { TimeAxis } from './time-axis.tsx';
import { layoutWeekFigures } from '../plan/charts/week-figures-layout.ts';
import { AreaColumns } from '../plan/charts/week-figures.tsx';

const plan = (text: string) => computePlan(parseSession(text, baseLibrary).document, baseLibrary);
const SESSION = 'Warm-up: flow\n20 march\n\nMain: work 0:40 rest 0:20, 2 rounds\nsquat\nplank\n';
const size = { widthPx: 600, heightPx: 40 };
const paths = (svg: string, name: string): string[] =>
  [...svg.matchAll(new RegExp(`<path d="([^"]*)"[^>]*class="${name}"`, 'g'))].map((m) => m[1]!);
/** The boxes of a path of corners: `Mx y hw vh h-w z`. */
const boxes = (d: string) =>
  [...d.matchAll(/M([\d.]+) ([\d.]+)h([\d.]+)v([\d.]+)h-([\d.]+)z/g)].map(([, x, y, width, height, back]) => ({
    x: Number(x),
    y: Number(y),
    width: Number(width),
    height: Number(height),
    isClosed: width === back,
  }));

describe('a ribbon', () => {
  test('draws every bar of its layout, one path a kind', () => {
    const layout = layoutRibbon(plan(SESSION), size);
    const svg = renderToStaticMarkup(<Ribbon layout={layout} stretch />);
    for (const kind of ['work', 'hold', 'rest', 'estimate'] as const) {
      const own = layout.bars.filter((b) => b.kind === kind);
      expect(paths(svg, `ribbon-${kind}`)).toHaveLength(1);
      expect(boxes(paths(svg, `ribbon-${kind}`)[0]!)).toEqual(
        own.map(({ x, y, width, height }) => ({ x, y, width, height, isClosed: true })),
      );
    }
    expect(svg.match(/ribbon-notch/g)).toHaveLength(layout.notches.length);
  });

  test('rounds its corners within the bar where it keeps its own width', () => {
    const layout = {
      ...size,
      bars: [
        { kind: 'work' as const, x: 0, y: 10, width: 3, height: 8 },
        { kind: 'work' as const, x: 5, y: 10, width: 40, height: 28 },
      ],
      dots: [],
      notches: [],
    };
    const [d] = paths(renderToStaticMarkup(<Ribbon layout={layout} />), 'ribbon-work');
    expect(d).toMatch(
      /^M1 10h1a1 1 .*M7 10h36a2 2 0 0 1 2 2v24a2 2 0 0 1 -2 2h-36a2 2 0 0 1 -2 -2v-24a2 2 0 0 1 2 -2z$/,
    );
  });

  test('of nothing is a bare ground; holds have the hatch of the page, others don’t', () => {
    const draw = (text: string) => renderToStaticMarkup(<Ribbon layout={layoutRibbon(plan(text), size)} />);
    expect(draw('')).toContain('ribbon-ground');
    expect(draw('')).not.toContain('<path');
    const id = /<pattern id="([^"]+)"/.exec(renderToStaticMarkup(<RibbonHatch />))![1]!;
    expect(draw('Main: work 0:40 rest 0:20\nsquat')).not.toContain(id);
    expect(draw('Main: work 0:40 rest 0:20\nplank')).toContain(`class="ribbon-hold" fill="url(#${id})"`);
  });

  test('shows where the clock stands, at a share of its width', () => {
    const layout = layoutRibbon(plan(SESSION), size);
    expect(renderToStaticMarkup(<Ribbon layout={layout} atRatio={0.25} />)).toContain(
      'x1="150" x2="150" y1="-2" y2="40"',
    );
    expect(renderToStaticMarkup(<Ribbon layout={layout} />)).not.toContain('y1="-2"');
  });

  test('is named where it has words of its own, and hidden where the words stand beside it', () => {
    const layout = layoutRibbon(plan(SESSION), size);
    expect(renderToStaticMarkup(<Ribbon layout={layout} title="Four minutes" />)).toContain(
      'role="img" aria-label="Four minutes"',
    );
    expect(renderToStaticMarkup(<Ribbon layout={layout} />)).toContain('aria-hidden="true"');
  });
});

describe('a strand', () => {
  const bead = (dayId: number, week: number, weekday: number, state: StrandBead['state']): StrandBead => ({
    dayId,
    week,
    weekday,
    state,
    date: '2026-05-04' as StrandBead['date'],
    index: 0,
    of: 1,
    releaseMs: 0,
    endsMs: 0,
    lookMs: 0,
    closesMs: null,
    shareRatio: undefined,
  });
  const draw = (
    beads: readonly StrandBead[],
    today: { week: number; weekday: number } | null = { week: 1, weekday: 4 },
  ) =>
    renderToStaticMarkup(
      <StrandRow
        beads={beads}
        weeks={2}
        today={today}
        selected={2}
        label="Ada: 1 of 2 done"
        onPick={() => undefined}
      />,
    );

  test('shape, not colour, tells the states apart', () => {
    const states = (Object.keys(STATE_WORDS) as StrandBead['state'][]).filter((s) => s !== 'before');
    const shapes = states.map((state) =>
      renderToStaticMarkup(
        <svg>
          <Bead x={10} y={10} state={state} />
        </svg>,
      ),
    );
    expect(new Set(shapes).size).toBe(states.length);
    expect(
      renderToStaticMarkup(
        <svg>
          <Bead x={10} y={10} state="before" />
        </svg>,
      ),
    ).toBe('<svg><g></g></svg>');
  });

  test('a part is filled from below to its share, never empty nor full', () => {
    const fill = (shareRatio: number) => {
      const drawn = beadMarkup({ x: 20, y: 10, radius: 5, state: 'part', shareRatio });
      const [x1, y1, , large, sweep, x2, y2] = [
        .../d="M([\d.]+) ([\d.]+)A(5) 5 0 ([01]) ([01]) ([\d.]+) ([\d.]+)z"/.exec(drawn)!.slice(1).map(Number),
      ] as [number, number, number, number, number, number, number];
      // Its chord lies on the circle, level, and the arc goes the lower way round.
      expect([Math.hypot(x1 - 20, y1 - 10), Math.hypot(x2 - 20, y2 - 10)].map((r) => r.toFixed(1))).toEqual([
        '5.0',
        '5.0',
      ]);
      expect([y1 === y2, x1 < x2, sweep]).toEqual([true, true, 0]);
      return [15 - y1, large];
    };
    expect([0, 0.2, 0.5, 0.6, 0.85, 1].map(fill)).toEqual([
      [2, 0],
      [2, 0],
      [5, 0],
      [6, 1],
      [8.5, 1],
      [8.5, 1],
    ]);
  });

  test('has a bead a day from the first that is owed on, in order from left to right', () => {
    const svg = draw([bead(1, 1, 1, 'before'), bead(2, 1, 3, 'done'), bead(3, 2, 1, 'ahead')]);
    const at = [...svg.matchAll(/<(?:svg|use href="#bead-[a-z-]+") x="([\d.]+)%"/g)].map((m) => Number(m[1]));
    expect(at).toHaveLength(4); // today's door, the chosen day, two days
    expect(at[3]!).toBeGreaterThan(at[2]!);
    expect(svg).toContain('aria-label="Ada: 1 of 2 done"');
    expect(svg).toContain('strand-selected');
  });

  test('of nobody’s days is an empty thread, before and after the run too', () => {
    expect(draw([])).not.toContain('strand-thread');
    expect(draw([bead(2, 1, 3, 'done')], null)).not.toContain('strand-door');
  });
});

describe('a lever’s line on the page', () => {
  const layout = layoutLeverLine(
    [0, 1, -1].map((value, i) => ({ week: i + 1, value, label: String(6 + value) })),
    { widthPx: 300, heightPx: 50 },
  );
  test('every week is a slider that says where it stands; one alone is in the order of the Tab key', () => {
    const svg = renderToStaticMarkup(
      <LeverLine layout={layout} label="rounds" now={2} lighter={[3]} step={1} onChange={() => undefined} />,
    );
    expect(
      [...svg.matchAll(/role="slider"[^>]*aria-label="([^"]+)"[^>]*aria-valuetext="([^"]+)"/g)].map((m) => [
        m[1],
        m[2],
      ]),
    ).toEqual([
      ['rounds, week 1', '6'],
      ['rounds, week 2', '7'],
      ['rounds, week 3', '5'],
    ]);
    expect(svg.match(/tabindex="0"/g)).toHaveLength(1);
    expect(svg.match(/lever-line-lighter/g)).toHaveLength(1);
    for (const m of svg.matchAll(/aria-valuenow="(-?\d+)" aria-valuemin="(-?\d+)" aria-valuemax="(-?\d+)"/g))
      expect(Number(m[1]) >= Number(m[2]) && Number(m[1]) <= Number(m[3])).toBe(true);
  });
  test('one that can’t be dragged has no sliders, and a programme that is over none that is now', () => {
    const still = renderToStaticMarkup(
      <LeverLine layout={layout} label="reps" now={undefined} lighter={[]} step={1} />,
    );
    expect(still).not.toContain('slider');
    expect(still).not.toContain('is-now');
    expect(
      renderToStaticMarkup(
        <LeverLine layout={layout} label="reps" now={9} lighter={[]} step={1} onChange={() => undefined} />,
      ).match(/tabindex="0"/g),
    ).toHaveLength(1);
  });
});

describe('small pictures', () => {
  test('columns of areas are named with their figures', () => {
    const [figures] = layoutWeekFigures([{ loadAu: 100, likelySec: 600, workByArea: { legs: 40, push: 20 } }], {
      loadWidthPx: 60,
      areaWidthPx: 74,
      areaHeightPx: 30,
    });
    const svg = renderToStaticMarkup(
      <AreaColumns bars={figures!.bars} widthPx={74} heightPx={30} title="Week 1, work: legs 1 min, push 1 min" />,
    );
    expect(svg).toContain('<title>Week 1, work: legs 1 min, push 1 min</title>');
    expect(svg.match(/class="is-none"/g)).toHaveLength(figures!.bars.filter((b) => b.workSec === 0).length);
  });
  test('minutes stand under their place, the last with its unit; nothing for nothing', () => {
    const svg = renderToStaticMarkup(<TimeAxis totalSec={1200} widthPx={600} />);
    const ticks = [...svg.matchAll(/x="([\d.]+)"[^>]*>(\d+)( min)?</g)].map((m) => [Number(m[1]), Number(m[2])]);
    for (const [x, minute] of ticks) expect(x).toBeCloseTo(minute! * 30, 5);
    expect(svg).toMatch(/\d+ min</);
    expect(renderToStaticMarkup(<TimeAxis totalSec={0} widthPx={600} />)).toBe('');
  });
});
