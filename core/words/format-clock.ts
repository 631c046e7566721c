/** Seconds as minutes and seconds, the way the notation writes them: 75 is `1:15`, 3725 is `1:02:05`. */
export function formatClock(sec: number): string {
  const pad = (n: number) => String(n).padStart(2, '0');
  const s = Math.round(sec);
  const h = Math.floor(s / 3600);
  const m = Math.floor((s % 3600) / 60);
  return h > 0 ? `${h}:${pad(m)}:${pad(s % 60)}` : `${m}:${pad(s % 60)}`;
}
