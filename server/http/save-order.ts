const PERSONAL_LINK = /^\/p\/([^/?.]+)/;
const COACH_COOKIE = /(?:^|;\s*)(?:__Host-)?ysodos_coach=([^;]+)/;

/** Whose saves a request has to do with: a personal link's, or a coach's session. Undefined for everybody else. */
export function saverOf(url: string, cookies: string): string | undefined {
  return PERSONAL_LINK.exec(url)?.[1] ?? COACH_COOKIE.exec(cookies)?.[1];
}

/**
 * Lets a page that is opened while a save of the same person is still under way wait for it, so that it shows what was saved.
 * Only for requests of this process, and no longer than `patienceMs`: it is a courtesy, the database decides what is stored.
 */
export class SaveOrder {
  readonly #underWay = new Map<string, Set<Promise<unknown>>>();

  readonly #patienceMs: number;

  constructor(patienceMs: number) {
    this.#patienceMs = patienceMs;
  }

  /** Runs a save; pages of the same saver that come meanwhile wait for it. */
  async save<T>(saver: string, run: () => Promise<T>): Promise<T> {
    const saving = run();
    const ended = saving.catch(() => undefined);
    const own = this.#underWay.get(saver) ?? new Set();
    this.#underWay.set(saver, own.add(ended));
    try {
      return await saving;
    } finally {
      own.delete(ended);
      if (own.size === 0) this.#underWay.delete(saver);
    }
  }

  /** Resolves once the saves that are under way now have ended, or patience has. */
  async settled(saver: string): Promise<void> {
    const own = this.#underWay.get(saver);
    if (!own) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const patience = new Promise((done) => (timer = setTimeout(done, this.#patienceMs)));
    await Promise.race([Promise.all(own), patience]);
    clearTimeout(timer);
  }
}
