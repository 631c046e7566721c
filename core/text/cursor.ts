import { MAX_AMOUNT, MAX_DURATION_SEC, MAX_ROUNDS } from '../limits.ts';
import type { IssueCode, NotationIssue } from './issue.ts';
import type { Token } from './tokens.ts';

/** Thrown inside the reader and caught at the clause or line: one error doesn't hide the next. */
export class UnreadableError extends Error {
  readonly issue: NotationIssue;
  constructor(issue: NotationIssue) {
    super(issue.message);
    this.name = 'UnreadableError';
    this.issue = issue;
  }
}

/** A place in a run of tokens, with the questions that every rule of the notation asks. */
export class Cursor {
  readonly tokens: readonly Token[];
  readonly line: number;
  readonly text: string;
  at = 0;

  constructor(tokens: readonly Token[], line: number, text: string) {
    this.tokens = tokens;
    this.line = line;
    this.text = text;
  }

  get done(): boolean {
    return this.at >= this.tokens.length;
  }

  peek(ahead = 0): Token | undefined {
    return this.tokens[this.at + ahead];
  }

  /** Takes the words in order if all of them stand here. */
  takeWords(...words: readonly string[]): boolean {
    for (const [i, word] of words.entries()) {
      const token = this.peek(i);
      if (token?.kind !== 'word' || token.text !== word) return false;
    }
    this.at += words.length;
    return true;
  }

  /** Takes one word out of several spellings of it. */
  takeOneOf(...words: readonly string[]): boolean {
    const token = this.peek();
    if (token?.kind !== 'word' || !words.includes(token.text)) return false;
    this.at++;
    return true;
  }

  takeMark(mark: string): boolean {
    const token = this.peek();
    if (token?.kind !== 'mark' || token.text !== mark) return false;
    this.at++;
    return true;
  }

  isNumber(ahead = 0): boolean {
    return this.peek(ahead)?.kind === 'number';
  }

  /** The text from a token to before another one, blanks folded to one. */
  slice(fromToken: number, toToken: number): string {
    const first = this.tokens[fromToken];
    const last = this.tokens[toToken - 1];
    if (!first || !last || toToken <= fromToken) return '';
    return this.text.slice(first.start, last.end).replace(/\s+/g, ' ').trim();
  }

  fail(
    code: IssueCode,
    message: string,
    suggestions: readonly string[] = [],
    token = this.peek(),
    lastToken = token,
  ): never {
    const end = this.tokens.at(-1)?.end ?? this.text.length;
    const column = (token?.start ?? end) + 1;
    throw new UnreadableError({
      line: this.line,
      column,
      endColumn: Math.max(column, (lastToken?.end ?? end) + 1),
      code,
      message,
      suggestions,
    });
  }

  /** A whole number from `low` to `high`. */
  count(what: string, low: number, high: number): number {
    const token = this.peek();
    if (token?.kind !== 'number') return this.fail('missing', `${what} is missing here; write a whole number.`);
    if (!Number.isInteger(token.value) || token.value < low || token.value > high) {
      return this.fail('bad-value', `${what} must be a whole number from ${low} to ${high}, not ${token.text}.`);
    }
    this.at++;
    return token.value;
  }

  /** Minutes and seconds (`1:15`) or a number with its unit (`75s`, `75 sec`, `2 min`), in seconds. */
  duration(what: string): number {
    const token = this.peek();
    let sec: number;
    if (token?.kind === 'clock') {
      this.at++;
      sec = token.value;
      if (Number.isNaN(sec))
        return this.fail('bad-value', `“${token.text}” is no time: after the colon comes 00 to 59.`, [], token);
    } else if (token?.kind === 'number') {
      this.at++;
      const factor = this.takeTimeUnit();
      if (factor === undefined) {
        return this.fail(
          'missing',
          `${what} needs its unit: is ${token.text} seconds or minutes?`,
          [`${token.text}s`, `${token.text} min`],
          token,
        );
      }
      sec = token.value * factor;
    } else {
      return this.fail('missing', `${what} is missing here; write it like 0:45 or 45s.`);
    }
    return this.checkedDuration(sec, what, token);
  }

  checkedDuration(sec: number, what: string, token: Token | undefined): number {
    if (!Number.isInteger(sec) || sec < 1)
      this.fail('bad-value', `${what} must be at least one second, in whole seconds.`, [], token);
    if (sec > MAX_DURATION_SEC)
      this.fail('bad-value', `${what} is longer than six hours; was it meant in seconds?`, [], token);
    return sec;
  }

  /** Takes a unit of time and gives the seconds in it. */
  takeTimeUnit(): number | undefined {
    if (this.takeOneOf('s', 'sec', 'secs', 'second', 'seconds')) return 1;
    if (this.takeOneOf('min', 'mins', 'minute', 'minutes')) return 60;
    return undefined;
  }

  /** `21-15-9`, `10..1`, `2..8 by 2`, or one number: whole numbers from 1. */
  list(what: string): number[] {
    const first = this.peek();
    const start = this.count(what, 1, MAX_AMOUNT);
    if (this.takeMark('..')) {
      const end = this.count(what, 1, MAX_AMOUNT);
      const step = this.takeWords('by') ? this.count('the step', 1, MAX_AMOUNT) : 1;
      const length = Math.floor(Math.abs(end - start) / step) + 1;
      if (length > MAX_ROUNDS)
        this.fail('bad-value', `${what} would have ${length} numbers; at most ${MAX_ROUNDS} are read.`, [], first);
      if (Math.abs(end - start) % step !== 0) {
        this.fail(
          'contradiction',
          `From ${start} in steps of ${step} one never reaches ${end}.`,
          [],
          first,
          this.tokens[this.at - 1],
        );
      }
      return Array.from({ length }, (_, i) => start + Math.sign(end - start) * step * i);
    }
    const values = [start];
    while (this.peek()?.text === '-' && this.isNumber(1)) {
      this.at++;
      values.push(this.count(what, 1, MAX_AMOUNT));
    }
    if (values.length > MAX_ROUNDS)
      this.fail('bad-value', `${what} has ${values.length} numbers; at most ${MAX_ROUNDS} are read.`, [], first);
    return values;
  }
}
