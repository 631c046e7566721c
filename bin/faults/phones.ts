import { randomUUID } from 'node:crypto';

/** A log as a phone has it: sent until it was taken, under one id. */
export interface Said {
  readonly link: string;
  readonly day: string;
  readonly clientId: string;
  readonly remark: string;
}

/** What was acknowledged, in the order in which each phone was told so. */
export interface Acknowledged {
  readonly logs: Said[];
  /** By address of a draft: the text that was said to be kept last, and how many were. */
  readonly drafts: Map<string, { text: string; count: number }>;
}

const PATIENCE_MS = 8_000;
const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

const ask = async (url: string, init: RequestInit = {}): Promise<Response | undefined> => {
  try {
    return await fetch(url, { redirect: 'manual', signal: AbortSignal.timeout(PATIENCE_MS), ...init });
  } catch {
    return undefined;
  }
};

/** One phone: opens the log of a day, says something, and says it again until it was taken; then something else. */
export async function runPhone(
  phone: { readonly link: string; readonly days: readonly string[]; readonly site: () => string },
  isOver: () => boolean,
  acknowledged: Acknowledged,
): Promise<void> {
  for (let n = 0; !isOver(); n++) {
    const day = phone.days[n % phone.days.length]!;
    const said: Said = { link: phone.link, day, clientId: randomUUID(), remark: `${day} for the ${n + 1}. time` };
    // As a page does it: what stands when the log is opened goes along.
    let after: string | undefined;
    for (let isOpen = false; !isOpen;) {
      const page = await ask(`${phone.site()}${phone.link}/${day}/log`);
      const text = page?.status === 200 ? await page.text().catch(() => undefined) : undefined;
      if (text !== undefined) {
        isOpen = true;
        after = /name="after" value="(\d+)"/.exec(text)?.[1];
      } else {
        if (isOver()) return;
        await pause(200);
      }
    }
    for (let isTaken = false; !isTaken;) {
      const site = phone.site();
      const answer = await ask(`${site}${phone.link}/${day}/log`, {
        method: 'POST',
        headers: { origin: site },
        body: new URLSearchParams({
          outcome: 'done',
          'client-id': said.clientId,
          remark: said.remark,
          ...(after !== undefined && { after }),
        }),
      });
      isTaken = answer?.status === 302;
      await answer?.body?.cancel().catch(() => undefined);
      if (isTaken) acknowledged.logs.push(said);
      // A retry under the same id: it goes on even where all is about to end, so that nothing is left half-said.
      else await pause(200);
    }
    await pause(30);
  }
}

/** A coach who types: each draft that was said to be kept is kept, whatever comes after. */
export async function runCoach(
  coach: { readonly draft: string; readonly cookie: string; readonly site: () => string },
  isOver: () => boolean,
  acknowledged: Acknowledged,
): Promise<void> {
  let revision = 1;
  for (let n = 1; !isOver(); n++) {
    const site = coach.site();
    const text = `Title: Draft ${n}\nMain: 3 rounds\n10 squat\n`;
    const answer = await ask(`${site}${coach.draft}`, {
      method: 'POST',
      headers: { origin: site, cookie: coach.cookie, 'content-type': 'application/json' },
      body: JSON.stringify({ text, revision }),
    });
    const isAnswer = answer?.status === 200 || answer?.status === 409;
    const read: unknown = isAnswer ? await answer.json().catch(() => undefined) : undefined;
    const { revision: next, stale } = (read ?? {}) as { revision?: number; stale?: { revision: number } };
    if (next !== undefined) {
      revision = next;
      acknowledged.drafts.set(coach.draft, { text, count: (acknowledged.drafts.get(coach.draft)?.count ?? 0) + 1 });
    }
    // It was taken, but the answer was lost: the page says with which revision.
    else if (stale) revision = stale.revision;
    await pause(150);
  }
}
