import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { CommandError } from './say.ts';

/** A file that a command was given, or standard input for `-`. */
export interface GivenFile {
  readonly file: string;
  readonly text: string;
}

/** The files of a command line `COMMAND [--json] FILE...`. Throws CommandError with a remedy where one can't be had. */
export function readGivenFiles(
  command: string,
  takesJson: boolean,
): { readonly files: GivenFile[]; readonly isJson: boolean } {
  const usage = `Name one file or more, or - for standard input: ${command} ${takesJson ? '[--json] ' : ''}FILE...`;
  const { values, positionals } = options(takesJson, usage);
  if (positionals.length === 0) throw new CommandError(`There is nothing to ${command}.`, usage);
  return { isJson: values.json === true, files: positionals.map(readGiven) };
}

function options(takesJson: boolean, usage: string) {
  try {
    return parseArgs({ options: takesJson ? { json: { type: 'boolean' as const } } : {}, allowPositionals: true }) as {
      readonly values: { readonly json?: boolean };
      readonly positionals: string[];
    };
  } catch (error) {
    throw new CommandError((error as Error).message, usage);
  }
}

function readGiven(file: string): GivenFile {
  try {
    return { file: file === '-' ? 'standard input' : file, text: readFileSync(file === '-' ? 0 : file, 'utf8') };
  } catch (error) {
    throw new CommandError(
      `${file} can’t be read: ${(error as Error).message}`,
      'Look at its name, and whether it may be read.',
    );
  }
}

/** Writes what a command found, as JSON. */
export const writeJson = (value: unknown): void => {
  process.stdout.write(`${JSON.stringify(value, null, 2)}\n`);
};
