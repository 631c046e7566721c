import type { Figure, HeldKit, View } from './figure.ts';
import type { Against, Place, Pose, Side, Touch } from './pose.ts';
import { FIELDS, UPRIGHT } from './pose.ts';

/**
 * A figure as short text, for a page: `side|ra|bottle both|5:40,7:90 footR.floor footL.floor|...`. Each pose says what differs from the
 * one before. It is read by `unpackFigure` of the same version alone; nothing is stored so.
 */
export function packFigure({ view, goesRound, alternates, travels, poses, kit }: Figure): string {
  const flags = `${goesRound ? 'r' : ''}${alternates ? 'a' : ''}${travels ? 't' : ''}`;
  const held = kit.map(({ kind, how }) => `${kind} ${how}`).join(',');
  let before: Pose = UPRIGHT;
  const packed = poses.map((pose) => {
    const numbers = FIELDS.flatMap((field, i) =>
      pose.at[field] === before.at[field] ? [] : [`${i}:${pose.at[field]}`],
    );
    const touches = pose.touches.map((t) => `${t.place}${t.side ?? ''}.${t.against}${t.isSetDown ? '+' : ''}`);
    before = pose;
    return `${numbers.join(',')} ${touches.join(' ')} ${pose.isLevel ? '=' : ''}${pose.weight === 1 ? '' : `*${pose.weight}`}`;
  });
  return [view, flags, held, ...packed].join('|');
}

function unpackTouch(text: string): Touch {
  const [name = '', against = ''] = text.split('.');
  const side = /[RL]$/.test(name) ? (name.slice(-1) as Side) : undefined;
  return {
    place: (side ? name.slice(0, -1) : name) as Place,
    side,
    against: against.replace('+', '') as Against,
    isSetDown: against.endsWith('+'),
  };
}

/** The figure of a packed text. */
export function unpackFigure(text: string): Figure {
  const [view = 'side', flags = '', held = '', ...packed] = text.split('|');
  let before: Pose = UPRIGHT;
  const poses = packed.map((words) => {
    const [numbers = '', ...rest] = words.split(' ');
    const at = { ...before.at };
    for (const entry of numbers.split(',').filter(Boolean)) {
      const [field, value] = entry.split(':');
      at[FIELDS[Number(field)]!] = Number(value);
    }
    const end = rest.pop() ?? '';
    const weight = end.includes('*') ? Number(end.split('*')[1]) : 1;
    return (before = { at, touches: rest.filter(Boolean).map(unpackTouch), isLevel: end.startsWith('='), weight });
  });
  const kit = held
    .split(',')
    .filter(Boolean)
    .map((words) => {
      const [kind, ...how] = words.split(' ');
      return { kind, how: how.join(' ') } as HeldKit;
    });
  const has = (flag: string): boolean => flags.includes(flag);
  return { view: view as View, goesRound: has('r'), alternates: has('a'), travels: has('t'), poses, kit };
}
