import { createHash } from 'node:crypto';
import { join, resolve } from 'node:path';
import pg from 'pg';
import type { DayDate } from '../../core/calendar/day.ts';
import { addDays } from '../../core/calendar/day.ts';
import { emptyProgramme } from '../../core/progress/programme-document.ts';
import { migrate } from '../../db/migrate.ts';
import { createPool } from '../../db/pool.ts';
import { insertPersonalLink } from '../../db/queries/doors/link.ts';
import { insertParticipants, listParticipants } from '../../db/queries/person.ts';
import { insertProgramme } from '../../db/queries/plan.ts';
import { getProgramme, listDays, updateDayReady, updateDayText } from '../../db/queries/programme.ts';
import { insertWorkspace } from '../../db/queries/doors/workspace.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { pick, seededRandom } from '../../demo/random.ts';
import { hashPassword } from '../../server/doors/hash-password.ts';
import { hashToken, makeToken } from '../../server/doors/token.ts';
import { ensureBuild } from '../parts/build.ts';
import type { Cluster } from '../parts/cluster.ts';
import { freePort, removeData, startCluster } from '../parts/cluster.ts';
import { writeClock } from '../parts/move-clock.ts';
import { limitFiles } from './full-disk.ts';
import { Keeper } from './keeper.ts';
import type { Acknowledged } from './phones.ts';
import { runCoach, runPhone } from './phones.ts';
import type { FaultyWay } from './proxy.ts';
import { openWay } from './proxy.ts';

export interface FaultOptions {
  readonly kills: number;
  readonly data: string;
  readonly say: (words: string) => void;
  /** What happens is chosen by it: the same seed, the same order of faults. */
  readonly seed: number;
}

export interface FaultReport {
  readonly faults: Readonly<Record<string, number>>;
  readonly logs: number;
  readonly drafts: number;
  readonly releases: number;
  /** Acknowledged logs that aren't stored exactly once, or don't stand as they were said last. */
  readonly lost: readonly string[];
  /** People and days with no release, or another number of messages than one that was accepted. */
  readonly wrong: readonly string[];
}

const PEOPLE = 48;
const PHONES = 10;
const FIRST = '2026-05-11' as DayDate;
const SECOND = addDays(FIRST, 1);
/** For all the first day has opened by then and isn't over: zones lie from UTC+7 to UTC-11, and days open at five. */
const ZONES = 19;
const START_MS = Date.parse(`${FIRST}T16:30:00Z`);
/** In this time the second day opens for all. */
const SPAN_MS = 24 * 3_600_000;
const EMAIL = 'ada@harbour.example';
const PASSWORD = 'three quiet squats';
const SECRET = 'a secret of the faults, long enough to be one';
/** A fault lasts so long, and so long passes until the next. */
const FAULT_MS = 1_500;
const BETWEEN_MS = 2_500;

const FAULTS = ['web', 'worker', 'mail', 'database', 'cut', 'slow', 'disk', 'clock'] as const;
type Fault = (typeof FAULTS)[number];

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** Everything that runs, and what is known of it. */
class House {
  cluster!: Cluster;
  way!: FaultyWay;
  owner!: pg.Client;
  readonly keepers: Record<'web' | 'worker' | 'mail', Keeper[]> = { web: [], worker: [], mail: [] };
  readonly ports: number[] = [];
  readonly links: string[] = [];
  programmeId = 0;
  private readonly clock: string;
  private readonly options: FaultOptions;

  constructor(options: FaultOptions) {
    this.options = options;
    this.clock = resolve(join(options.data, 'clock'));
  }

  setClock(ms: number): void {
    writeClock(this.clock, new Date(ms).toISOString());
  }

  async openDatabase(fresh: boolean): Promise<void> {
    this.cluster = await startCluster(this.options.data, { what: 'faults', fresh: fresh ? removeData : undefined });
    const port = Number(new URL(this.cluster.ownerUrl('x')).port);
    if (this.way) this.way.target = port;
    else this.way = await openWay(await freePort(), port);
  }

  async connect(): Promise<void> {
    this.owner = new pg.Client({ connectionString: this.cluster.ownerUrl('faults') });
    this.owner.on('error', () => undefined);
    await this.owner.connect();
  }

  async seed(): Promise<void> {
    await this.cluster.dropDatabase('faults');
    await this.cluster.createDatabase('faults');
    await migrate(this.cluster.ownerUrl('faults'));
    await this.connect();
    await insertWorkspace(this.owner, {
      workspace: 'Faults',
      email: EMAIL,
      name: 'Ada',
      passwordHash: await hashPassword(PASSWORD),
    });
    const pool = createPool(this.cluster.appUrl('faults'), 2);
    const now = new Date(`${addDays(FIRST, -10)}T00:00:00Z`);
    await withWorkspace(pool, 1, async (db) => {
      this.programmeId = await insertProgramme(db, {
        workspaceId: 1,
        programme: emptyProgramme({ title: 'Mornings', weeks: 1, weekdays: [1, 2, 3] }),
        startsOn: FIRST,
        now,
      });
      const programme = await getProgramme(db, this.programmeId, { now });
      for (const day of (await listDays(db, programme)).filter((d) => d.weekday < 3)) {
        const text = `Title: Day ${day.weekday}\nMain: 3 rounds\n10 squat\n`;
        const revision = await updateDayText(db, { dayId: day.id, revision: 1, text, isRead: true, now });
        await updateDayReady(db, { dayId: day.id, revision, isReady: true });
      }
      await insertParticipants(db, {
        workspaceId: 1,
        runId: programme.runId,
        people: Array.from({ length: PEOPLE }, (_, i) => ({
          name: `P${i}`,
          detail: '',
          // Etc/GMT-7 is seven hours ahead (POSIX's sign).
          timeZone: `Etc/GMT${(i % ZONES) - 7 >= 0 ? '+' : ''}${(i % ZONES) - 7}`,
          joinedOn: addDays(FIRST, -5),
          profile: { address: `p${i}@harbour.example` },
        })),
      });
      for (const person of (await listParticipants(db, programme.runId)).slice(0, PHONES)) {
        const token = makeToken();
        await insertPersonalLink(db, { workspaceId: 1, personId: person.personId, tokenHash: hashToken(token), now });
        this.links.push(`/p/${token}`);
      }
    });
    await pool.end();
  }

  async start(): Promise<void> {
    const smtp = await freePort();
    const address = new URL(this.cluster.appUrl('faults'));
    address.port = String(this.way.port);
    const env = {
      ...process.env,
      DATABASE_URL: address.href,
      SECRET,
      SMTP_URL: `smtp://127.0.0.1:${smtp}`,
      MAIL_FROM: 'sessions@harbour.example',
      YSODOS_CLOCK_FILE: this.clock,
      LOG_LEVEL: 'silent',
      HOST: '127.0.0.1',
    };
    this.keepers.mail.push(new Keeper('stand-in/main.ts', { ...process.env, STAND_IN_SMTP_PORT: String(smtp) }));
    for (let i = 0; i < 2; i++) {
      const port = await freePort();
      this.ports.push(port);
      const site = { ...env, PORT: String(port), PUBLIC_URL: `http://127.0.0.1:${port}` };
      this.keepers.web.push(new Keeper('bin/serve.ts', site));
      this.keepers.worker.push(new Keeper('bin/work.ts', site));
    }
    for (const port of this.ports)
      for (let i = 0; i < 300; i++) {
        const answer = await fetch(`http://127.0.0.1:${port}/readyz`).catch(() => undefined);
        if (answer?.status === 200) break;
        await pause(100);
      }
  }

  async signIn(): Promise<string> {
    const site = `http://127.0.0.1:${this.ports[0]}`;
    const answer = await fetch(`${site}/sign-in`, {
      method: 'POST',
      body: new URLSearchParams({ email: EMAIL, password: PASSWORD }),
      headers: { origin: site },
      redirect: 'manual',
    });
    return answer.headers.getSetCookie()[0]!.split(';')[0]!;
  }

  /** Waits until each person has so many accepted messages; gives up where that takes too long. */
  async allHave(sessions: number, forMs: number): Promise<void> {
    const until = performance.now() + forMs;
    while (performance.now() < until) {
      const { rows } = await this.owner.query<{ count: number }>(
        `select count(*) from message where kind = 'session' and state = 'accepted'`,
      );
      if (rows[0]!.count >= sessions * PEOPLE) return;
      await pause(300);
    }
  }

  async stop(): Promise<void> {
    await Promise.all(Object.values(this.keepers).flatMap((own) => own.map((k) => k.stop())));
    await this.owner?.end().catch(() => undefined);
    await this.way?.close();
    this.cluster?.stop();
  }
}

/** Does one fault, and undoes it. */
async function strike(
  house: House,
  fault: Fault,
  random: () => number,
  nowMs: () => number,
  setBack: (ms: number) => void,
) {
  switch (fault) {
    case 'web':
    case 'worker':
    case 'mail':
      pick(random, house.keepers[fault]).kill();
      return pause(FAULT_MS);
    case 'database':
      await house.owner.end().catch(() => undefined);
      house.cluster.stop('immediate');
      await pause(FAULT_MS);
      await house.openDatabase(false);
      return house.connect();
    case 'cut':
      house.way.cut();
      return pause(FAULT_MS);
    case 'slow':
      house.way.delayMs = 120;
      await pause(FAULT_MS);
      house.way.delayMs = 0;
      return;
    case 'disk':
      limitFiles(house.cluster.processId(), 64_000);
      await pause(FAULT_MS);
      try {
        limitFiles(house.cluster.processId(), undefined);
        await house.owner.query('create temporary table probe as select 1');
        await house.owner.query('drop table probe');
      } catch {
        // It has given up meanwhile, as a server does that can't write its log: it is started again.
        await house.owner.end().catch(() => undefined);
        house.cluster.stop('immediate');
        await house.openDatabase(false);
        await house.connect();
      }
      return;
    case 'clock':
      setBack(3_600_000);
      house.setClock(nowMs());
      await pause(FAULT_MS);
      setBack(0);
      return;
  }
}

/**
 * Two web processes, two workers and a mail server under steady load, while one after the other is killed, the way to the database is cut
 * and made slow, its disk is full, and the clock is set back. What was acknowledged must be there, once; every session must have gone out,
 * once.
 */
export async function runFaults(options: FaultOptions): Promise<FaultReport> {
  ensureBuild();
  const house = new House(options);
  const random = seededRandom(options.seed);
  const acknowledged: Acknowledged = { logs: [], drafts: new Map() };
  const struck: Record<string, number> = {};
  try {
    await house.openDatabase(true);
    await house.seed();
    house.setClock(START_MS);
    await house.start();
    options.say(`${PEOPLE} people, ${PHONES} phones; waiting until all have the first day`);
    await house.allHave(1, 120_000);
    const cookie = await house.signIn();

    let isOver = false;
    let back = 0;
    const startedAt = performance.now();
    const lengthMs = options.kills * (FAULT_MS + BETWEEN_MS);
    const nowMs = () => START_MS + Math.min(1, (performance.now() - startedAt) / lengthMs) * SPAN_MS - back;
    const ticking = setInterval(() => house.setClock(nowMs()), 200);
    const site = () => `http://127.0.0.1:${house.ports[Math.floor(Math.random() * house.ports.length)]}`;
    const load = [
      ...house.links.map((link) => runPhone({ link, days: ['w1d1'], site }, () => isOver, acknowledged)),
      runCoach(
        { draft: `/programmes/${house.programmeId}/write/w1d3/draft`, cookie, site },
        () => isOver,
        acknowledged,
      ),
    ];
    for (let n = 0; n < options.kills; n++) {
      // Each of them comes; after that, whatever comes.
      const fault = n < FAULTS.length ? FAULTS[n]! : pick(random, FAULTS);
      struck[fault] = (struck[fault] ?? 0) + 1;
      options.say(`${n + 1} of ${options.kills}: ${fault}; ${acknowledged.logs.length} logs acknowledged`);
      await strike(house, fault, random, nowMs, (ms) => (back = ms));
      await pause(BETWEEN_MS);
    }
    isOver = true;
    await Promise.all(load);
    clearInterval(ticking);
    // Until the last hour has come for all, and what was put off has been tried again.
    for (let n = 1; n <= 6; n++) {
      house.setClock(Date.parse(`${SECOND}T16:30:00Z`) + n * 600_000);
      await house.allHave(2, 6_000);
    }
    return await judge(house, acknowledged, struck);
  } finally {
    await house.stop();
  }
}

const hash = (link: string): string => createHash('sha256').update(link.slice(3)).digest('hex');

/** Holds what is stored against what was acknowledged. */
async function judge(
  { owner, programmeId }: House,
  { logs, drafts }: Acknowledged,
  faults: Readonly<Record<string, number>>,
): Promise<FaultReport> {
  const { rows: records } = await owner.query<{ client_id: string; remark: string; count: number }>(
    'select client_id, min(remark) as remark, count(*) as count from record group by client_id',
  );
  const stored = new Map(records.map((r) => [r.client_id, r]));
  const lost = logs.flatMap((said) => {
    const own = stored.get(said.clientId);
    if (!own) return [`${said.remark} of ${said.link} is gone`];
    return own.count === 1 && own.remark === said.remark
      ? []
      : [`${said.remark} of ${said.link} is there ${own.count} times`];
  });
  const last = new Map(logs.map((said) => [`${said.link} ${said.day}`, said]));
  const { rows: standing } = await owner.query<{ link: string; remark: string }>(
    `select encode(l.token_hash, 'hex') as link, r.remark
     from standing s join record r on r.id = s.record_id join enrolment e on e.id = s.enrolment_id
     join personal_link l on l.person_id = e.person_id and l.kind = 'personal' and l.revoked_at is null`,
  );
  const stands = new Map(standing.map((s) => [s.link, s.remark]));
  for (const said of last.values())
    if (stands.get(hash(said.link)) !== said.remark)
      lost.push(`${said.link}: what stands is “${stands.get(hash(said.link))}”, said last was “${said.remark}”`);
  const { rows: days } = await owner.query<{ text: string }>(
    'select text from day where programme_id = $1 and week = 1 and weekday = 3',
    [programmeId],
  );
  const numberIn = (text: string) => Number(/Draft (\d+)/.exec(text)?.[1] ?? 0);
  for (const { text } of drafts.values())
    if (numberIn(days[0]!.text) < numberIn(text))
      lost.push(`a draft: ${numberIn(text)} was kept, ${numberIn(days[0]!.text)} is there`);
  const { rows: sent } = await owner.query<{ name: string; releases: number; messages: number; accepted: number }>(
    `select p.name,
       (select count(*) from release x where x.enrolment_id = e.id) as releases,
       (select count(*) from message m where m.enrolment_id = e.id and m.kind = 'session') as messages,
       (select count(*) from message m where m.enrolment_id = e.id and m.kind = 'session' and m.state = 'accepted') as accepted
     from enrolment e join person p on p.id = e.person_id order by p.id`,
  );
  const wrong = sent
    .filter((s) => s.releases !== 2 || s.messages !== 2 || s.accepted !== 2)
    .map((s) => `${s.name}: ${s.releases} releases, ${s.messages} messages, ${s.accepted} accepted`);
  return {
    faults,
    logs: logs.length,
    drafts: [...drafts.values()].reduce((n, d) => n + d.count, 0),
    releases: sent.reduce((n, s) => n + s.releases, 0),
    lost,
    wrong,
  };
}
