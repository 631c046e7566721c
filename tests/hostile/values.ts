/** Values that no page of ours sends, and what is answered. Later work adds its rows here. PROGRAMME and LINK are the demo's. */
export interface BadValue {
  readonly name: string;
  readonly path: string;
  readonly form?: Record<string, string>;
  readonly json?: string;
  /** What the answer names. */
  readonly field?: string;
  readonly status?: readonly number[];
}

const IDS = ['1.5', '1e309', '9223372036854775808', '-1', '0x10', ' 1', 'NaN', ''];
const DATES = [
  '0000-01-03',
  '+275760-09-08',
  '2026-02-30',
  '2026-5-4',
  '20260504',
  '2026-05-04T00:00',
  '9999-12-27',
  '',
];
const LOG_ID = '00000000-0000-4000-8000-00000000000a';
const NUL = 'a\0b';
const person = { text: 'Ada', timeZone: 'UTC', joinedOn: '2026-05-11' };
const known = {
  written: 'pebble toss',
  name: 'pebble toss',
  isHold: false,
  isOneSided: false,
  pattern: 'push',
  kit: [],
  likelySec: 2,
  effortClass: 3,
  asks: [],
};
const movement = {
  intent: 'movement',
  id: 'push-up',
  name: 'push-up',
  pattern: 'push',
  position: 'prone',
  low: '1',
  likely: '2',
  high: '3',
  impact: '0',
  noise: '0',
  effortClass: '3',
  ...Object.fromEntries(
    ['wrist', 'elbow', 'shoulder', 'neck', 'back', 'hip', 'knee', 'ankle'].map((j) => [`demand-${j}`, '1']),
  ),
};

export const BAD_VALUES: readonly BadValue[] = [
  ...[
    'nobody',
    'a@b',
    'a@example.org\r\nBcc: b@example.org',
    'a@example.org, b@example.org',
    `${'a'.repeat(300)}@example.org`,
  ].map((replyTo) => ({
    name: `where answers go: ${replyTo.slice(0, 40)}`,
    path: '/programmes/PROGRAMME/run',
    form: { intent: 'answers', replyTo },
    field: 'replyTo',
  })),
  ...IDS.map((id) => ({
    name: `what to let go: ${id}`,
    path: '/programmes/PROGRAMME/follow-up/next',
    form: { intent: 'let-go', id },
    status: [400, 404],
  })),
  ...IDS.map((id) => ({
    name: `a programme to delete: ${id}`,
    path: '/programmes',
    form: { intent: 'delete-programme', programme: id },
    field: 'programme',
  })),
  ...IDS.map((id) => ({
    name: `a template to delete: ${id}`,
    path: '/programmes',
    form: { intent: 'delete-template', template: id },
    field: 'template',
  })),
  ...IDS.map((id) => ({
    name: `a template to start from: ${id}`,
    path: '/programmes',
    form: { title: 'x', from: `template:${id}`, startsOn: '2026-05-18' },
    status: [400, 404],
  })),
  ...IDS.filter((id) => !/[ ]/.test(id) && id !== '').map((id) => ({
    name: `a programme’s address: ${id}`,
    path: `/programmes/${encodeURIComponent(id)}/new-people`,
    form: person,
    status: [404],
  })),
  ...IDS.map((id) => ({
    name: `a person: ${id}`,
    path: '/programmes/PROGRAMME/people',
    form: { intent: 'link', enrolmentId: id },
    field: 'enrolmentId',
  })),
  ...IDS.map((id) => ({
    name: `a person to remove: ${id}`,
    path: '/programmes/PROGRAMME/people',
    form: { intent: 'remove', enrolmentId: id },
    status: [400, 404],
  })),
  ...IDS.map((id) => ({ name: `a routine: ${id}`, path: '/routines', form: { intent: 'delete', id }, field: 'id' })),
  ...IDS.map((id) => ({
    name: `where to copy to: ${id}`,
    path: '/programmes/PROGRAMME/copy',
    form: { text: 'x', toDay: 'w1d1', toProgramme: id },
    field: 'toProgramme',
  })),
  ...DATES.map((date) => ({
    name: `a start: ${date}`,
    path: '/programmes',
    form: { title: 'x', from: 'empty', weeks: '2', weekdays: '1', startsOn: date },
  })),
  ...DATES.filter((date) => date !== '').map((date) => ({
    name: `joined: ${date}`,
    path: '/programmes/PROGRAMME/new-people',
    form: { ...person, joinedOn: date },
  })),
  ...['2147483648', '1e3', '-1', '1.5', ''].map((revision) => ({
    name: `a revision: ${revision}`,
    path: '/programmes/PROGRAMME/send/w5d1',
    form: { revision },
    field: 'revision',
  })),
  ...['2147483648', '1.5', '"x"', 'null', '1e400'].map((revision) => ({
    name: `a draft’s revision: ${revision}`,
    path: '/programmes/PROGRAMME/write/w8d1/draft',
    json: `{"text": "x", "revision": ${revision}}`,
  })),
  ...['0', '53', '1.5', 'x', '1e309'].map((weeks) => ({
    name: `weeks: ${weeks}`,
    path: '/programmes',
    form: { title: 'x', from: 'empty', weeks, weekdays: '1', startsOn: '2026-05-18' },
  })),
  ...['0', '8', '1.5', 'x'].map((weekdays) => ({
    name: `weekdays: ${weekdays}`,
    path: '/programmes',
    form: { title: 'x', from: 'empty', weeks: '2', weekdays, startsOn: '2026-05-18' },
  })),
  ...['-1', '1.5', '99', 'x'].map((lighterEvery) => ({
    name: `lighter every: ${lighterEvery}`,
    path: '/programmes',
    form: { title: 'x', from: 'empty', weeks: '2', weekdays: '1', startsOn: '2026-05-18', lighterEvery },
  })),
  // NUL, in every field that is kept.
  {
    name: 'NUL in a title',
    path: '/programmes',
    form: { title: NUL, from: 'empty', weeks: '2', weekdays: '1', startsOn: '2026-05-18' },
    field: 'title',
  },
  ...(['timeZone', 'joinedOn'] as const).map((field) => ({
    name: `NUL in a person’s ${field}`,
    path: '/programmes/PROGRAMME/new-people',
    form: { ...person, [field]: NUL },
    field,
  })),
  ...(['name', 'detail', 'channel', 'kit', 'swaps'] as const).map((field) => ({
    name: `NUL in a person’s ${field}`,
    path: '/programmes/PROGRAMME/people',
    form: { intent: 'profile', enrolmentId: '1', name: 'Ada', timeZone: 'UTC', [field]: NUL },
    field,
  })),
  { name: 'NUL in a roster', path: '/programmes/PROGRAMME/new-people', form: { text: `name\n${NUL}` }, field: 'text' },
  {
    name: 'NUL in a change note',
    path: '/programmes/PROGRAMME/send/w5d1',
    form: { revision: '1', changeNote: NUL },
    field: 'changeNote',
  },
  { name: 'NUL in a routine', path: '/routines', form: { name: NUL, text: 'Warm-up: flow\n5 squat' }, field: 'name' },
  ...[
    '',
    'w1d8',
    'w0d1',
    'w1d1,w1d2',
    'w1d1 Monday',
    Array.from({ length: 61 }, (_, i) => `w${1 + (i % 9)}d${1 + Math.floor(i / 9)}`).join(' '),
  ].map((toDay) => ({
    name: `days to copy to: ${toDay.slice(0, 20)}`,
    path: '/programmes/PROGRAMME/copy',
    form: { text: 'x', toDay, toProgramme: '1' },
  })),
  ...['', 'null', '[]', '[{"key":"w1d1"}]', '[{"key":"w1d1","before":"x","revision":-1}]', '{"__proto__":[]}'].map(
    (copied) => ({
      name: `copies to take back: ${copied}`,
      path: '/programmes/PROGRAMME/copy',
      form: { intent: 'take-back', toProgramme: '1', copied },
    }),
  ),
  {
    name: 'NUL in a copied text',
    path: '/programmes/PROGRAMME/copy',
    form: { text: NUL, toDay: 'w1d1', toProgramme: '1' },
    field: 'text',
  },
  {
    name: 'NUL in a movement',
    path: '/programmes/PROGRAMME/movements',
    form: { ...movement, setUp: NUL },
    field: 'setUp',
  },
  {
    name: 'NUL in a plan’s change',
    path: '/programmes/PROGRAMME/plan/change',
    form: { intent: 'change', revision: '1', edits: '[]', words: NUL },
    field: 'words',
  },
  {
    name: 'NUL in a template',
    path: '/programmes/PROGRAMME/plan/change',
    form: { intent: 'save-template', title: NUL },
    field: 'title',
  },
  {
    name: 'NUL in a remark',
    path: 'LINK/w4d1/log',
    form: { outcome: 'done', remark: NUL, 'client-id': '00000000-0000-4000-8000-000000000001' },
    field: 'remark',
  },
  { name: 'NUL in what is shared', path: 'LINK/me', form: { part: 'care', shared: NUL }, field: 'shared' },
  {
    name: 'NUL in a draft',
    path: '/programmes/PROGRAMME/write/w8d1/draft',
    json: '{"text": "a\\u0000b", "revision": 1}',
    field: 'NUL',
  },
  // Halves of characters, and characters that count one.
  {
    name: 'half an emoji in a draft',
    path: '/programmes/PROGRAMME/write/w8d1/draft',
    json: '{"text": "\\ud83d", "revision": 1}',
    field: 'half a character',
  },
  {
    name: '80 emoji are a name',
    path: '/programmes/PROGRAMME/new-people',
    // In the middle of a day: today's session is not for them.
    form: { ...person, text: '😀'.repeat(80), leaving: 'next' },
    status: [200],
  },
  { name: '81 emoji are none', path: '/programmes/PROGRAMME/new-people', form: { ...person, text: '😀'.repeat(81) } },
  {
    name: '1,001 emoji are no remark',
    path: 'LINK/w4d1/log',
    form: { outcome: 'done', remark: '😀'.repeat(1001), 'client-id': '00000000-0000-4000-8000-000000000002' },
  },
  {
    name: '200 emoji say what changed in a plan, and the 201st is cut off whole',
    path: '/programmes/PROGRAMME/plan/change',
    form: { intent: 'change', revision: '1', words: '😀'.repeat(201), edits: '[{"kind":"set-title","title":"x"}]' },
    status: [200, 409],
  },
  // Imports.
  {
    name: 'a draft nested 5,000 deep',
    path: '/programmes/PROGRAMME/write/w8d1/draft',
    json: `{"text": ${'['.repeat(5000)}${']'.repeat(5000)}, "revision": 1}`,
  },
  {
    name: 'a programme nested 5,000 deep',
    path: '/programmes',
    form: { title: 'x', from: 'file', startsOn: '2026-05-18', document: '['.repeat(5000) },
  },
  {
    name: 'a programme with half a character',
    path: '/programmes',
    form: {
      title: 'x',
      from: 'file',
      startsOn: '2026-05-18',
      document: '{"format":"ysodos-programme","version":1,"title":"\\ud83d","weeks":1}',
    },
  },
  {
    name: 'a programme with a NUL',
    path: '/programmes',
    form: {
      title: 'x',
      from: 'file',
      startsOn: '2026-05-18',
      document:
        '{"format":"ysodos-programme","version":1,"title":"x","weeks":1,"days":[{"week":1,"weekday":1,"text":"\\u0000"}]}',
    },
  },
  {
    name: 'edits nested 5,000 deep',
    path: '/programmes/PROGRAMME/plan/change',
    form: { intent: 'change', revision: '1', words: 'x', edits: '['.repeat(5000) },
  },
  // What would go into a header.
  {
    name: 'a way back in Greek',
    path: '/programmes/PROGRAMME/movements',
    form: { intent: 'reset-ladder', id: 'x', from: 'κοῦρος\r\nx: y' },
    status: [302],
  },
  { name: 'a part in Greek', path: 'LINK/me', form: { part: 'λόγος' } },
  // Saved things that would brick a workspace.
  {
    name: 'a movement whose other names repeat',
    path: '/programmes/PROGRAMME/movements',
    form: { ...movement, otherNames: 'press, Press' },
  },
  {
    name: 'a movement with an empty other name',
    path: '/programmes/PROGRAMME/movements',
    form: { ...movement, otherNames: '’’’' },
  },
  ...[
    ['without steps', { name: 'Ours', steps: '' }],
    ['of one step', { name: 'Ours', steps: 'light' }],
    ['with a step twice', { name: 'Ours', steps: 'light\nLight ' }],
    ['that can’t stand behind @', { name: 'Ours', steps: 'light\n<b>2 kg</b>, or more' }],
    ['without a name', { name: ' ', steps: 'light\nheavy' }],
    [
      'of 1,000 steps',
      { name: 'Ours', steps: Array.from({ length: 1000 }, (_, i) => `s${'x'.repeat(i % 30)}`).join('\n') },
    ],
    ['that is gone', { id: 'no-such-scale', name: 'Ours', steps: 'light\nheavy' }],
  ].map(([what, form]): BadValue => ({
    name: `a scale ${what as string}`,
    path: '/programmes/PROGRAMME/movements',
    form: { intent: 'scale', ...(form as Record<string, string>) },
  })),
  ...[
    ['words that are no pose', 'side | wobble'],
    ['numbers beyond all', 'side | stand legs 99999999999999999999 -9'],
    ['thousands of poses', `side | ${'stand > '.repeat(5_000)}stand`],
    ['NUL in it', `side | stand${NUL}`],
  ].map(([what, drawing]) => ({
    name: `a movement’s drawing with ${what}`,
    path: '/programmes/PROGRAMME/movements',
    form: { ...movement, drawing: drawing! },
  })),
  { name: 'a movement with impact 9', path: '/programmes/PROGRAMME/movements', form: { ...movement, impact: '9' } },
  {
    name: 'a movement with a name that grows when it is spelt out',
    path: '/programmes/PROGRAMME/movements',
    form: { ...movement, id: '', name: 'ﷺ'.repeat(30) },
  },
  {
    name: 'a ladder with an id of 200 letters',
    path: '/programmes/PROGRAMME/movements',
    form: { intent: 'ladder', id: 'x'.repeat(200), name: 'x', steps: 'squat\nmarch' },
  },
  // Movements made known, several in one pass.
  ...[
    ['of nothing but brackets', '['.repeat(5000)],
    ['that are no list', '{"name":"x"}'],
    ['that are null', '[null]'],
    ['with a prototype', '[{"__proto__":{"written":"x"},"name":"constructor"}]'],
    ['that are 41', JSON.stringify(Array.from({ length: 41 }, (_, i) => ({ written: `x${i}`, name: `x${i}` })))],
    ['with NUL in the name', JSON.stringify([{ ...known, name: NUL, written: 'x' }])],
    ['with a pace without end', JSON.stringify([{ ...known, likelySec: 1e309 }])],
    ['by a name that is taken', JSON.stringify([{ ...known, name: 'squat' }])],
  ].map(([what, movements]) => ({
    name: `movements made known ${what}`,
    path: '/programmes/PROGRAMME/movements',
    form: { intent: 'know', movements: movements! },
  })),
  // Runs, what goes out, and who joins.
  ...DATES.map((date) => ({
    name: `another run from ${JSON.stringify(date)}`,
    path: '/programmes/PROGRAMME/run',
    form: { intent: 'copy', startsOn: date },
    field: 'copy-startsOn',
  })),
  ...(
    [
      ['title', 'x'.repeat(81), 'title'],
      ['releaseTime', '25:00', 'releaseTime'],
      ['releaseTime', NUL, ''],
      ['lookAheadDays', '1e309', 'lookAheadDays'],
      ['lookAheadDays', '15', 'lookAheadDays'],
      ['makeUpDays', '-1', 'makeUp'],
      ['makeUpDays', '61', 'makeUp'],
      ['calendar', 'lunar', 'calendar'],
      ['joinsLate', 'never', 'joinsLate'],
      ['releaseZone', 'Mars/Base', 'releaseZone'],
      ['startsOn', '2026-02-30', 'startsOn'],
    ] as const
  ).map(([name, value, field]) => ({
    name: `a run’s ${name}: ${value.slice(0, 12)}`,
    path: '/programmes/PROGRAMME/run',
    form: { intent: 'settings', release: 'instant', [name]: value },
    ...(field !== '' && { field }),
  })),
  ...['0', '1.5', '-3', '20001', 'many'].map((limit) => ({
    name: `a join page for ${limit}`,
    path: '/programmes/PROGRAMME/run',
    form: { intent: 'join', joinLimit: limit },
    field: 'joinLimit',
  })),
  {
    name: 'a run that ends before it begins',
    path: '/programmes/PROGRAMME/run',
    form: { intent: 'end', endedOn: '1999-01-01' },
    field: 'endedOn',
  },
  { name: 'a run that does what it can’t', path: '/programmes/PROGRAMME/run', form: { intent: 'explode' } },
  ...IDS.filter((id) => !/[ ]/.test(id) && id !== '').map((id) => ({
    name: `a run’s address: ${id}`,
    path: `/programmes/PROGRAMME-${encodeURIComponent(id)}/run`,
    form: { intent: 'hold' },
    status: [404],
  })),
  {
    name: 'a run of another programme',
    path: '/programmes/PROGRAMME-999999/run',
    form: { intent: 'hold' },
    status: [404],
  },
  ...IDS.map((id) => ({
    name: `a message once more: ${id}`,
    path: '/programmes/PROGRAMME/outbox',
    form: { message: id },
    status: [400, 404, 409],
  })),
  ...(
    [
      [{ date: '2026-02-30', time: '18:00', timeZone: 'UTC' }, 'on which date'],
      [{ date: '2026-05-16', time: '24:00', timeZone: 'UTC' }, 'on which date'],
      [{ date: '2026-05-16', time: '18:00', timeZone: 'Mars/Base' }, 'time zone'],
      [{ date: '2199-05-16', time: '18:00', timeZone: 'UTC' }, 'outside the programme'],
      [{ date: '2026-05-16', time: '18:00', timeZone: 'UTC', minutes: '1e309' }, '5 minutes'],
      [{ date: '2026-05-16', time: '18:00', timeZone: 'UTC', limit: '0' }, 'number of people'],
      [{ date: '2026-05-16', time: '18:00', timeZone: 'UTC', place: 'x'.repeat(301) }, '300 letters'],
    ] as const
  ).map(([form, field]) => ({
    name: `a live session: ${JSON.stringify(form).slice(0, 90)}`,
    path: '/programmes/PROGRAMME/send/w5d6',
    form: { intent: 'live', isLive: 'yes', ...form },
    field,
  })),
  {
    name: 'a reason of 501 letters',
    path: '/programmes/PROGRAMME/send/w5d1',
    form: { intent: 'withdraw', note: 'x'.repeat(501) },
  },
  {
    name: 'a stop of a day that isn’t there',
    path: '/programmes/PROGRAMME/send-choices',
    form: { intent: 'stop', day: 'w99d9' },
  },
  {
    name: 'a stop of what doesn’t leave',
    path: '/programmes/PROGRAMME/send-choices',
    form: { intent: 'stop', day: 'w4d1' },
  },
  { name: 'no choice of ours', path: '/programmes/PROGRAMME/send-choices', form: { intent: 'x', day: 'w4d1' } },
  {
    name: 'a plan that was never moved isn’t moved back',
    path: '/programmes/PROGRAMME/send-choices',
    form: { intent: 'move-back', shift: '999999999999' },
  },
  {
    name: 'days that aren’t there are not ready',
    path: '/programmes/PROGRAMME/ready',
    form: { days: `w0d0 w99d9 ${'w1d9 '.repeat(500)}` },
    status: [200],
  },
  { name: 'a confirmation without a key', path: '/confirm/no-key', form: {}, status: [404] },
  { name: 'a test as nobody', path: '/programmes/PROGRAMME/send/w5d1', form: { intent: 'test', as: 'x' } },
  {
    name: 'someone of another run is there',
    path: '/programmes/PROGRAMME/send/w5d1',
    form: { intent: 'came', enrolmentId: '999999' },
    status: [404, 409],
  },
  ...(
    [
      [{ channel: 'email', email: 'no address' }, 'no e-mail address'],
      [{ channel: 'email', email: 'a@example.org\r\nBcc: b@example.org' }, 'no e-mail address'],
      [{ channel: 'text', phone: 'call me' }, 'no telephone number'],
      [{ channel: 'none', timeZone: 'Mars/Base' }, 'no time zone'],
      [{ channel: 'none', quietFrom: '22:00' }, 'Quiet hours'],
      [{ channel: 'none', quietFrom: '22:00', quietTo: '7' }, 'Quiet hours'],
      [{ channel: 'none', reminderAt: 'evening' }, 'An hour is written'],
    ] as const
  ).map(([form, field]) => ({
    name: `my messages: ${JSON.stringify(form)}`,
    path: 'LINK/me',
    form: { part: 'messages', timeZone: 'UTC', ...form },
    field,
  })),
  ...(
    [
      { from: '2026-02-30' },
      { from: '2026-05-01' },
      { from: '2026-06-10', to: '2026-06-01' },
      { from: '2026-06-10', to: 'whenever' },
    ] as const
  ).map((form) => ({
    name: `away: ${JSON.stringify(form)}`,
    path: 'LINK/me',
    form: { part: 'pause', ...form },
    field: 'field-error',
  })),
  ...['24:00', '7', '07:00Z', 'noon'].map((calendarAt) => ({
    name: `in my calendar at ${JSON.stringify(calendarAt)}`,
    path: 'LINK/me',
    form: { part: 'calendar-hour', calendarAt, alarm: '0' },
    field: 'An hour is written like 07:00',
  })),
  { name: 'an absence that isn’t mine', path: 'LINK/me', form: { part: 'absence-off', absence: '1e309' } },
  { name: 'a live session that there isn’t', path: 'LINK/live', form: { day: 'w1d1', answer: 'yes' }, status: [404] },
  ...['x', 'a'.repeat(16), '../../etc', 'A'.repeat(50)].map((code) => ({
    name: `a join page that there isn’t: ${code}`,
    path: `/join/${encodeURIComponent(code)}`,
    form: { name: 'Ada' },
    status: [404],
  })),
  ...['x', '00000000-0000-0000-0000-000000000000', '%00'].map((key) => ({
    name: `a stop key that there isn’t: ${key}`,
    path: `/stop/${key}`,
    form: { 'List-Unsubscribe': 'One-Click' },
    status: [400, 403, 404],
  })),
  ...['x', 'A'.repeat(27)].map((token) => ({
    name: `a door that there isn’t: ${token}`,
    path: `/door/${token}`,
    form: { password: 'long enough to be one' },
    status: [404],
  })),
  { name: 'a password for no address', path: '/forgot', form: { email: 'a@b' }, field: 'no e-mail address' },
  {
    name: 'an invitation to no address',
    path: '/account/coaches',
    form: { intent: 'invite', email: 'a b@example.org' },
    field: 'no e-mail address',
  },
  ...[
    ['without its own id', { movement: 'squat', area: 'knee', did: 'ended' }],
    ['what was done is none', { 'client-id': LOG_ID, movement: 'squat', area: 'knee', did: 'flew' }],
    ['without a movement', { 'client-id': LOG_ID, area: 'knee', did: 'ended' }],
    ['a movement too long', { 'client-id': LOG_ID, movement: 'x'.repeat(121), area: 'knee', did: 'ended' }],
    ['a place too long', { 'client-id': LOG_ID, movement: 'squat', area: 'x'.repeat(41), did: 'ended' }],
  ].map(([name, form]): BadValue => ({
    name: `a pain ${name as string}`,
    path: 'LINK/w4d1/hurt',
    form: form as Record<string, string>,
    status: [400],
  })),
  {
    name: 'a pain on a day that isn’t there',
    path: 'LINK/w9d9/hurt',
    form: { 'client-id': LOG_ID, movement: 'squat', area: 'knee', did: 'ended' },
    status: [404],
  },
  {
    name: 'a log of a version of somebody else’s day',
    path: 'LINK/w4d1/log',
    form: { outcome: 'never', 'client-id': LOG_ID, 'version-id': '999999999' },
    status: [400],
  },
  ...[
    '{',
    '[]',
    '{"chosen":7,"ranSec":[1]}',
    '{"chosen":[{"block":-1}],"ranSec":{"x":"y"}}',
    '{"fewer":{"0":[{"set":1,"turn":-1,"item":0,"by":1},{"by":9},null],"x":7}}',
    'null',
    '9'.repeat(4000),
  ].map((seen): BadValue => ({
    name: `a log whose clock saw ${seen.slice(0, 20)}`,
    path: 'LINK/w4d1/log',
    form: { outcome: 'never', 'client-id': LOG_ID, seen },
    status: [400],
  })),
  { name: 'my weeks, nothing that can be asked', path: 'LINK/weeks', form: { part: 'explode' }, status: [400] },
  { name: 'deleting oneself without being sure', path: 'LINK/weeks', form: { part: 'delete' }, status: [400] },
  { name: 'a score that is none', path: 'LINK/w4d1/log', form: { outcome: 'done', effort: '1e309', 'client-id': 'x' } },
];
