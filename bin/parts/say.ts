/** Progress of a command goes to standard error, results to standard output. */
export const say = (text: string): void => void process.stderr.write(`ysodos: ${text}\n`);

/** A failure that a person can mend: what is wrong, and what to do. Printed without a stack. */
export class CommandError extends Error {
  readonly remedy: string;
  constructor(message: string, remedy: string) {
    super(message);
    this.name = 'CommandError';
    this.remedy = remedy;
  }
}

/** Runs a command's main function and turns its end into an exit code. */
export function runCommand(main: () => Promise<number | undefined>): void {
  main().then(
    (code) => {
      process.exitCode = code ?? 0;
    },
    (error: unknown) => {
      if (error instanceof CommandError) {
        say(error.message);
        say(`  ${error.remedy}`);
      } else {
        say(error instanceof Error ? (error.stack ?? error.message) : String(error));
      }
      process.exit(1);
    },
  );
}
