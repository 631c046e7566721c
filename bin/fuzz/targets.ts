import type { DayDate } from '../../core/calendar/day.ts';
import { readBundle, writeBundle } from '../../core/exchange/programme-bundle.ts';
import { readEditsJson } from '../../core/exchange/programme-edit-json.ts';
import { parseProgramme } from '../../core/exchange/programme-json.ts';
import { formatProgramme } from '../../core/exchange/writing/write-programme.ts';
import { readCalendar } from '../../core/exchange/read-calendar.ts';
import { readPeople } from '../../core/exchange/people/read-people.ts';
import { baseLibrary } from '../../core/movement/library.ts';
import { readSwaps } from '../../core/movement/read-swaps.ts';
import { readOwnPlan } from '../../core/notation/own-words/read-plan.ts';
import { readRules } from '../../core/progress/levers/lever-text.ts';
import { emptyProgramme } from '../../core/progress/programme-document.ts';
import { readProgress } from '../../core/progress/track/progress-sentence.ts';
import { analyseText } from '../../core/session/analyse.ts';
import { readHurtForm } from '../../server/participant/hurt-form.ts';
import { readJoinForm } from '../../server/participant/join-form.ts';
import { readMeForm } from '../../server/participant/me-form.ts';
import { readDeliveryReport } from '../../server/messages/delivery-report.ts';
import { readLadderForm, readMovementForm } from '../../server/movements/movement-form.ts';
import { readProfileForm } from '../../server/people/profile-form.ts';

/** Something that reads a text from outside. */
export interface FuzzTarget {
  readonly name: string;
  /** Texts that it is meant to read: what is thrown at it is made of them. */
  readonly samples: readonly string[];
  readonly read: (text: string) => unknown;
  /** The longest that it takes, in letters, and how long that may take on a quiet machine. */
  readonly mostLetters: number;
  readonly mostMs: number;
}

const SESSION = `Title: Legs, then breath
Target: 20 min
Kit: band, two bottles
Effort: 6

Warm-up: flow
10 march
0:30/side forearm stretch

Main (Growing rounds): work 0:40 rest 0:20, 3 rounds
8/side split squat @ 12 kg, tempo 3-1-2
alt step-back lunge or chair squat
10, 12, 14 push-up

Main: climb 1 by 1 every 1:00, cap 12:00
squat

Main: amrap 8:00
12 band row
AMRAP plank hold

Cool-down: flow
1:00 calm breathing  # slowly
`;
const PASTED = `Monday – Lower body (25 min)
Warm up: 2 rds: 10 jumping jacks, 5 inchworms
A) 4x8 goblet squat @ 16kg, 90s rest, tempo 3-1-1
B) EMOM 10: odd - 12 swings, even - 8 burpees
C) Tabata plank (20/10 x 8)
Finisher: 100 air squats for time, sub chair squats

Tuesday: rest

Wed: 5 rounds for time - 400 m run, 15 push ups, 20 sit-ups
`;
const ROSTER = `name,group,time zone,joined,address,kit,avoid,level,swaps
Ada Fennick,violins,Europe/Lisbon,2026-05-11,ada@harbour.example,band;chair,knee/wrist,push=2; squat=3,push-up -> wall push-up
"Ō, Noor ""the second""",brass,Pacific/Auckland,,+351 910 000 111,,,3,
`;
const CALENDAR = `BEGIN:VCALENDAR\r
VERSION:2.0\r
PRODID:-//Office//EN\r
BEGIN:VTIMEZONE\r
TZID:Europe/Berlin\r
BEGIN:STANDARD\r
DTSTART:19701025T030000\r
RRULE:FREQ=YEARLY;BYMONTH=10;BYDAY=-1SU\r
TZOFFSETFROM:+0200\r
TZOFFSETTO:+0100\r
END:STANDARD\r
END:VTIMEZONE\r
BEGIN:VEVENT\r
UID:a@harbour.example\r
DTSTART;TZID=Europe/Berlin:20260511T190000\r
DTEND;TZID=Europe/Berlin:20260511T210000\r
RRULE:FREQ=WEEKLY;BYDAY=MO,WE;UNTIL=20260801T000000Z\r
EXDATE;TZID=Europe/Berlin:20260513T190000\r
SUMMARY:Concert\\, the old\r
  granary\r
END:VEVENT\r
BEGIN:VEVENT\r
UID:b\r
DTSTART;VALUE=DATE:20260601\r
DTEND;VALUE=DATE:20260603\r
SUMMARY:Travel\r
STATUS:CANCELLED\r
END:VEVENT\r
END:VCALENDAR\r
`;
const REPORT = `From: MAILER-DAEMON@mail.example\r
To: sessions+b-12-0123456789abcdef@harbour.example\r
Subject: Undelivered\r
MIME-Version: 1.0\r
Content-Type: multipart/report; report-type=delivery-status; boundary="x"\r
\r
--x\r
Content-Type: text/plain\r
\r
It came back.\r
--x\r
Content-Type: message/delivery-status\r
\r
Reporting-MTA: dns; mail.example\r
\r
Final-Recipient: rfc822; ada@harbour.example\r
Action: failed\r
Status: 5.1.1\r
Diagnostic-Code: smtp; 550 5.1.1 unknown\r
  user here\r
\r
--x--\r
`;
const PLAN = {
  ...emptyProgramme({ title: 'Mornings', weeks: 4, weekdays: [1, 3] }),
  blocked: [{ date: '2026-05-16' as DayDate, words: 'Concert', rule: 'no session' as const, uid: 'a@b' }],
};
const SENTENCES = ['3, 3, 4, then 5 in week 4', '0:40, 0:45, 0:50', '+1, +2, as written', 'rounds 5 every week'];
const RULES = [
  'rounds: +1 each week until 6',
  'reps of squat in Main: double 8 to 12, then +2 kg',
  'rest: -0:05 each week, lighter +0:10, not in week 4',
];
const NAMES = [
  '10 alternating dumbbell step-back lunge and press to band row with wall squat',
  'kneeling side dip',
  'single-leg romanian deadlift with two bottles',
  'push-up -> wall push-up; plank -> forearm plank',
];
const FORMS = [
  new URLSearchParams({
    name: 'Noor',
    email: 'noor@harbour.example',
    timeZone: 'Europe/Lisbon',
    kit: 'band, chair',
    swaps: 'push-up -> wall push-up',
    startsOn: '2026-05-18',
    release: '05:00',
    intent: 'movement',
    id: 'push-up',
    pattern: 'push',
    steps: 'wall push-up\npush-up',
    low: '1',
    likely: '2',
    high: '3',
    'care-0': 'no',
    'level-push': '3',
    movement: 'squat',
    area: 'knee',
    'client-id': '00000000-0000-4000-8000-000000000001',
    part: 'messages',
    address: 'noor@harbour.example',
    quietFrom: '22:00',
  }).toString(),
];

const SPAN = { from: '2026-05-11' as DayDate, to: '2026-12-31' as DayDate, timeZone: 'Europe/Berlin' };
const SCOPE = {
  document: analyseText(SESSION, baseLibrary).document,
  library: baseLibrary,
  weeks: 8,
  lighter: [4],
};
const BUNDLE = writeBundle(PLAN);
const LARGE = 199_000;

/** Everything that reads what a stranger, or a coach's own file, may bring. */
export const FUZZ_TARGETS: readonly FuzzTarget[] = [
  {
    name: 'notation',
    samples: [SESSION, 'Main: flow\n5 squat\n', 'Main: every 1:00 x 10\n5 squat\n4 burpee\n'],
    read: (text) => analyseText(text, baseLibrary),
    mostLetters: LARGE,
    mostMs: 2_500,
  },
  {
    name: 'names',
    samples: NAMES,
    read: (text) => [
      baseLibrary.findByName(text.slice(0, 4_000)),
      readSwaps(text.slice(0, 4_000).split(';'), baseLibrary),
    ],
    mostLetters: 4_000,
    mostMs: 400,
  },
  {
    name: 'sentences',
    samples: [...SENTENCES, ...RULES],
    read: (text) => [readProgress(text.slice(0, 2_000), { kind: 'rounds' }, SCOPE), readRules(text.slice(0, 20_000))],
    mostLetters: 20_000,
    mostMs: 400,
  },
  {
    name: 'pasted',
    samples: [PASTED, SESSION],
    read: (text) => readOwnPlan(text, baseLibrary),
    mostLetters: LARGE,
    mostMs: 8_000,
  },
  {
    name: 'rosters',
    samples: [ROSTER, 'Ada Fennick <ada@harbour.example>\nNoor; violins\n'],
    read: (text) => readPeople(text, { timeZone: 'UTC', joinedOn: SPAN.from }, [], baseLibrary),
    mostLetters: LARGE,
    mostMs: 1_000,
  },
  {
    name: 'calendars',
    samples: [CALENDAR],
    read: (text) => readCalendar(text, SPAN),
    mostLetters: LARGE,
    mostMs: 4_000,
  },
  {
    name: 'documents',
    samples: [formatProgramme(PLAN), '[{"kind": "set-title", "title": "x"}]', BUNDLE['programme.txt']!],
    read: (text) => [
      parseProgramme(text),
      readEditsJson(text),
      readBundle({ ...BUNDLE, 'programme.txt': text, 'other-fields.json': text }),
    ],
    mostLetters: LARGE,
    mostMs: 1_000,
  },
  {
    name: 'reports',
    samples: [REPORT],
    // The thread that reads them takes 64 kB, and what the parser refuses is no report (report-worker.ts).
    read: (text) => readDeliveryReport(text.slice(0, 64_000)).catch(() => undefined),
    mostLetters: 64_000,
    mostMs: 1_500,
  },
  {
    name: 'forms',
    samples: FORMS,
    read: async (text) => {
      const form = new FormData();
      for (const [name, value] of new URLSearchParams(text)) form.append(name, value);
      await readJoinForm(form, ['band', 'chair']);
      await readMeForm(form, ['band', 'chair']);
      readMovementForm(form, baseLibrary, baseLibrary);
      readLadderForm(form, baseLibrary);
      await readProfileForm(form, baseLibrary);
      await readHurtForm(form);
    },
    mostLetters: 64_000,
    mostMs: 1_000,
  },
];
