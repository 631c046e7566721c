/**
 * How wide a scroll bar is, measured without a style sheet made at run time, which the content-security policy would refuse.
 * Stands in for the toolkit's own (vite.config.ts).
 */
interface Size {
  readonly width: number;
  readonly height: number;
}

const NOTHING: Size = { width: 0, height: 0 };

function measure(): Size {
  const probe = document.createElement('div');
  Object.assign(probe.style, {
    position: 'absolute',
    top: '-200px',
    width: '100px',
    height: '100px',
    overflow: 'scroll',
  });
  document.body.append(probe);
  const size = { width: probe.offsetWidth - probe.clientWidth, height: probe.offsetHeight - probe.clientHeight };
  probe.remove();
  return size;
}

export default function getScrollBarSize(): number {
  return typeof document === 'undefined' ? 0 : measure().width;
}

export const getTargetScrollBarSize = (target: Element | undefined): Size => (target ? measure() : NOTHING);
