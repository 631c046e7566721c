import type { BetweenRest, Block, Span, TimeRule } from '../document/document.ts';
import type { Token } from '../text/tokens.ts';

/** Clauses that belong to one form or another, without being its clock: where one stands beside another form, its own words say why not. */
export interface Extras {
  readonly forTime: true;
  readonly cap: number;
  readonly workCap: number;
  readonly stations: true;
  readonly relay: { readonly values: readonly number[]; readonly teamSize?: number };
}
export type ExtraKey = keyof Extras;

/** What the clauses of one header said, before they are held against each other. */
export interface Said {
  clock?: { kind: TimeRule['kind']; draft: unknown; token: Token; lastToken: Token };
  extras: { [K in ExtraKey]?: { readonly value: Extras[K]; readonly token: Token } };
  rounds?: { span: Span; token: Token };
  list?: { values: number[]; cycling: boolean; token: Token };
  byFeel?: Token;
  between?: BetweenRest;
  betweenToken?: Token;
  sets?: { count: number; restSec?: number; token: Token };
  thenRestSec?: number;
  scored?: Token;
  pacePerMin?: number;
  source?: Block['source'];
  sourceToken?: Token;
  /** What a bare `rest 1:00` after the last clause would belong to. */
  restGoesTo?: 'clock' | 'sets';
}
