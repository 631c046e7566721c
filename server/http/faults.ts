/** What went wrong without anybody having meant it, counted since the process started. */
let count = 0;

export const countFault = (): void => void count++;
export const faultCount = (): number => count;

/**
 * An error as it may stand in a log: its name, its code (SQLSTATE, system) and where in our code, never its message, since
 * messages quote what people typed.
 */
export function describeFault(error: unknown): { name: string; code?: string; constraint?: string; at: string[] } {
  if (!(error instanceof Error)) return { name: `thrown ${typeof error}`, at: [] };
  const { code, constraint } = error as Error & { code?: unknown; constraint?: unknown };
  return {
    name: error.name,
    ...(typeof code === 'string' && { code }),
    ...(typeof constraint === 'string' && { constraint }),
    at: (error.stack ?? '')
      .split('\n')
      .map((line) => line.trim())
      .filter((line) => /^at .+:\d+:\d+\)?$/.test(line))
      .slice(0, 4),
  };
}
