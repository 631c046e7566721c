import { LIVE_LINES } from './limits.ts';

/** Lines that are open in this process, by who and in which workspace. */
const open = new Map<string, number>();

/** Opens a live line for a coach, and gives what closes it; undefined where they, their workspace or all together have enough of them. */
export function openLine({
  coachId,
  workspaceId,
}: {
  readonly coachId: number;
  readonly workspaceId: number;
}): (() => void) | undefined {
  const places: readonly (readonly [string, number])[] = [
    [`coach ${coachId}`, LIVE_LINES.coach],
    [`workspace ${workspaceId}`, LIVE_LINES.workspace],
    ['all', LIVE_LINES.inAll],
  ];
  if (places.some(([key, most]) => (open.get(key) ?? 0) >= most)) return undefined;
  for (const [key] of places) open.set(key, (open.get(key) ?? 0) + 1);
  let isOpen = true;
  return () => {
    if (!isOpen) return;
    isOpen = false;
    for (const [key] of places) {
      const left = open.get(key)! - 1;
      if (left === 0) open.delete(key);
      else open.set(key, left);
    }
  };
}
