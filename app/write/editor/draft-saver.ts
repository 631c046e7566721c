const SAVE_AFTER_MS = 700;
const RETRY_MS = 4000;

export type DraftState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'typing' }
  | { readonly kind: 'offline' }
  | { readonly kind: 'refused'; readonly message: string }
  /** Someone else, or another tab, stored a newer text. */
  | { readonly kind: 'stale'; readonly theirs: string; readonly revision: number };

/** What the server says to a text: stored, refused, or that another stands there. */
export interface DraftAnswer {
  readonly revision?: number;
  readonly message?: string;
  readonly stale?: { readonly text: string; readonly revision: number };
}

export type PostDraft = (draft: { text: string; revision: number }) => Promise<DraftAnswer>;

/** Saves a text as it is typed. What couldn't be saved stays and is tried again; a conflict waits to be settled. */
export class DraftSaver {
  state: DraftState = { kind: 'saved' };
  #text: string;
  #savedText: string;
  #revision: number;
  #busy: Promise<boolean> | undefined;
  #timer: ReturnType<typeof setTimeout> | undefined;
  readonly #post: PostDraft;
  readonly #listeners = new Set<() => void>();
  readonly #onSaved: () => void;

  constructor(
    initial: { readonly text: string; readonly revision: number },
    post: PostDraft,
    onSaved: () => void = () => undefined,
  ) {
    this.#text = initial.text;
    this.#savedText = initial.text;
    this.#revision = initial.revision;
    this.#post = post;
    this.#onSaved = onSaved;
  }

  /** The revision that the server holds of what is typed here. */
  get revision(): number {
    return this.#revision;
  }

  get hasUnsaved(): boolean {
    return this.#text !== this.#savedText;
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  readonly getState = (): DraftState => this.state;

  #set(state: DraftState): void {
    this.state = state;
    for (const listener of this.#listeners) listener();
  }

  #saveIn(ms: number): void {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.save(), ms);
  }

  change(text: string): void {
    this.#text = text;
    if (this.state.kind === 'stale') return;
    this.#set(this.hasUnsaved ? { kind: 'typing' } : { kind: 'saved' });
    this.#saveIn(SAVE_AFTER_MS);
  }

  /** Saves now; true where all that is typed is stored. */
  async save(): Promise<boolean> {
    clearTimeout(this.#timer);
    while (this.#busy) await this.#busy;
    this.#busy = this.#saveOnce();
    try {
      return await this.#busy;
    } finally {
      this.#busy = undefined;
    }
  }

  async #saveOnce(): Promise<boolean> {
    while (this.hasUnsaved) {
      if (this.state.kind === 'stale') return false;
      const text = this.#text;
      let answer: DraftAnswer;
      try {
        answer = await this.#post({ text, revision: this.#revision });
      } catch {
        // No network, or no answer that can be read: the text stays here and is tried again.
        this.#set({ kind: 'offline' });
        this.#saveIn(RETRY_MS);
        return false;
      }
      // The same text stands there already: an earlier try came through and only its answer was lost.
      if (answer.stale?.text === text) answer = { revision: answer.stale.revision };
      if (answer.stale) {
        this.#set({ kind: 'stale', theirs: answer.stale.text, revision: answer.stale.revision });
        return false;
      }
      if (answer.revision === undefined) {
        this.#set({ kind: 'refused', message: answer.message ?? 'The text could not be saved.' });
        return false;
      }
      this.#savedText = text;
      this.#revision = answer.revision;
      this.#onSaved();
    }
    this.#set({ kind: 'saved' });
    return true;
  }

  /** Ends a conflict: what is typed here, or `theirs`, goes on from the newer revision. */
  settle(revision: number, theirs?: string): void {
    this.#revision = revision;
    if (theirs !== undefined) {
      this.#text = theirs;
      this.#savedText = theirs;
    }
    this.#set({ kind: 'typing' });
    void this.save();
  }

  /** Stops trying; gives one last chance to what is typed. */
  close(): void {
    void this.save().finally(() => clearTimeout(this.#timer));
  }
}
