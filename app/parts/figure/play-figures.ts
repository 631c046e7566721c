import type { Drawn } from '../../../core/figure/draw.ts';
import { PARTS, drawBody } from '../../../core/figure/draw.ts';
import { unpackFigure } from '../../../core/figure/pack.ts';
import { frameAt, prepare } from '../../../core/figure/play.ts';
import { drawSteps, stillMarkup } from '../../../core/figure/still.ts';

const SVG = 'http://www.w3.org/2000/svg';

/** What stood there before it was set in motion. */
const stills = new WeakMap<Element, string>();

const wantsStill = (): boolean => window.matchMedia('(prefers-reduced-motion: reduce)').matches;

/**
 * Sets the drawings within an element in motion until `stop` is called; they are as they were then. Who asked for less motion sees two
 * or three poses side by side instead.
 */
export function playFigures(root: Element): () => void {
  const svgs = [...root.querySelectorAll<SVGSVGElement>('svg[data-fig]')];
  const stops = svgs.map((svg) => (wantsStill() ? showSteps(svg) : play(svg)));
  return () => stops.forEach((stop) => stop());
}

function play(svg: SVGSVGElement): () => void {
  const figure = unpackFigure(svg.dataset.fig!);
  const played = prepare(figure);
  const ms = Number(svg.dataset.sec) * 1000;
  const still = keepStill(svg);
  svg.querySelectorAll('.fig-start, .fig-arc, :scope > g').forEach((old) => old.remove());
  const group = svg.appendChild(document.createElementNS(SVG, 'g'));
  const paths = PARTS.map((part) => {
    const path = group.appendChild(document.createElementNS(SVG, 'path'));
    path.setAttribute('class', `fig-${part}`);
    return [part, path] as const;
  });
  const began = performance.now();
  let asked = 0;
  const show = (now: number) => {
    const drawn: Drawn = drawBody(frameAt(played, (now - began) / ms), figure.view, figure.kit);
    for (const [part, path] of paths) path.setAttribute('d', drawn[part]);
    if (svg.isConnected) asked = requestAnimationFrame(show);
  };
  show(began);
  return () => {
    cancelAnimationFrame(asked);
    svg.innerHTML = still;
  };
}

/** The poses one beside the other. */
function showSteps(svg: SVGSVGElement): () => void {
  const still = keepStill(svg);
  const box = svg.getAttribute('viewBox')!;
  const [left, top, width, height] = box.split(' ').map(Number) as [number, number, number, number];
  const steps = drawSteps(unpackFigure(svg.dataset.fig!));
  svg.innerHTML = steps.map((step, i) => `<g transform="translate(${i * width} 0)">${stillMarkup(step)}</g>`).join('');
  svg.setAttribute('viewBox', [left, top, width * steps.length, height].join(' '));
  return () => {
    svg.innerHTML = still;
    svg.setAttribute('viewBox', box);
  };
}

function keepStill(svg: SVGSVGElement): string {
  const known = stills.get(svg);
  if (known !== undefined) return known;
  stills.set(svg, svg.innerHTML);
  return svg.innerHTML;
}
