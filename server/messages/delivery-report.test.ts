import { describe, expect, test } from 'vitest';
import { readDeliveryReport } from './delivery-report.ts';

/** A report as a mail server makes it: words, the machine's part, and what was sent. */
const report = (fields: readonly string[], { type = 'message/delivery-status', encoding = '', end = '\r\n' } = {}) => {
  const body = fields.join(end);
  return [
    'From: Mail delivery <mailer-daemon@mail.example.org>',
    'To: notes+b-7-0123456789abcdef@ysodos.example.org',
    'Subject: Undelivered',
    'MIME-Version: 1.0',
    `Content-Type: multipart/report; report-type=${type.slice('message/'.length)}; boundary="part"`,
    '',
    '--part',
    'Content-Type: text/plain; charset=utf-8',
    '',
    'Your message could not be delivered.',
    '',
    '--part',
    `Content-Type: ${type}`,
    ...(encoding === '' ? [] : [`Content-Transfer-Encoding: ${encoding}`]),
    '',
    encoding === 'base64' ? Buffer.from(body).toString('base64') : body,
    '',
    '--part',
    'Content-Type: text/rfc822-headers',
    '',
    'Subject: Legs',
    '',
    '--part--',
    '',
  ].join(end);
};
const MESSAGE = ['Reporting-MTA: dns; mail.example.org', 'Arrival-Date: Mon, 11 May 2026 06:00:00 +0000', ''];

describe('delivery reports in the manner of several mail servers', () => {
  test.each([
    [
      'status and diagnosis agree',
      [
        'Final-Recipient: rfc822; ana@example.org',
        'Action: failed',
        'Status: 5.1.1',
        'Diagnostic-Code: smtp; 550 5.1.1 No such user',
      ],
      { action: 'failed', status: '5.1.1', reason: '550 5.1.1 No such user' },
    ],
    [
      'the status says only its class: the diagnosis tells more',
      [
        'Final-Recipient: rfc822; ana@example.org',
        'Action: failed',
        'Status: 5.0.0',
        'Diagnostic-Code: smtp; 552 5.2.2 Mailbox is full',
      ],
      { action: 'failed', status: '5.2.2', reason: '552 5.2.2 Mailbox is full' },
    ],
    [
      'a diagnosis of another class isn’t taken for it',
      [
        'Final-Recipient: rfc822; ana@example.org',
        'Action: failed',
        'Status: 5.0.0',
        'Diagnostic-Code: smtp; 451 4.3.0 Try later',
      ],
      { action: 'failed', status: '5.0.0', reason: '451 4.3.0 Try later' },
    ],
    [
      'comments behind the action and the status',
      [
        'Final-Recipient: rfc822; ana@example.org',
        'Action: failed (bad destination mailbox)',
        'Status: 5.1.1 (unknown user)',
        'Diagnostic-Code: X-Local; unknown user',
      ],
      { action: 'failed', status: '5.1.1', reason: 'unknown user' },
    ],
    [
      'capitals, folded lines and no kind',
      [
        'FINAL-RECIPIENT: RFC822; ana@example.org',
        'ACTION: Failed',
        'STATUS: 5.7.1',
        'DIAGNOSTIC-CODE: 554 5.7.1',
        '\tRefused',
        ' by policy',
      ],
      { action: 'failed', status: '5.7.1', reason: '554 5.7.1 Refused by policy' },
    ],
    [
      'put off for now',
      [
        'Final-Recipient: rfc822; ana@example.org',
        'Action: delayed',
        'Status: 4.4.1',
        'Will-Retry-Until: Fri, 15 May 2026 06:00:00 +0000',
      ],
      { action: 'delayed', status: '4.4.1', reason: '4.4.1' },
    ],
    [
      'several recipients of which the second failed',
      [
        'Final-Recipient: rfc822; bo@example.org',
        'Action: relayed',
        'Status: 2.0.0',
        '',
        'Final-Recipient: rfc822; ana@example.org',
        'Action: failed',
        'Status: 5.4.4',
        'Diagnostic-Code: smtp; Host not found',
      ],
      { action: 'failed', status: '5.4.4', reason: 'Host not found' },
    ],
    [
      'no diagnosis at all',
      [
        'Final-Recipient: rfc822; ana@example.org',
        'Action: failed',
        'Status: 5.1.2',
        'Remote-MTA: dns; mx.example.org',
      ],
      { action: 'failed', status: '5.1.2', reason: '5.1.2' },
    ],
  ] as const)('%s', async (_name, fields, read) => {
    expect(await readDeliveryReport(report([...MESSAGE, ...fields]))).toEqual(read);
    expect(await readDeliveryReport(report([...MESSAGE, ...fields], { end: '\n' }))).toEqual(read);
  });

  test('of addresses beyond ASCII (RFC 6533), as text and encoded', async () => {
    const fields = [
      ...MESSAGE,
      'Final-Recipient: utf-8; jürgen@bücher.example',
      'Action: failed',
      'Status: 5.1.1',
      'Diagnostic-Code: smtp; 550 5.1.1 Kein Nutzer „jürgen“',
    ];
    for (const encoding of ['8bit', 'base64'])
      expect([
        encoding,
        await readDeliveryReport(report(fields, { type: 'message/global-delivery-status', encoding })),
      ]).toEqual([encoding, { action: 'failed', status: '5.1.1', reason: '550 5.1.1 Kein Nutzer „jürgen“' }]);
  });

  test('nothing that is none: no machine’s part, an empty one, an unknown action', async () => {
    expect(await readDeliveryReport('Subject: Hello\r\n\r\nAction: failed')).toBeUndefined();
    expect(await readDeliveryReport(report([]))).toBeUndefined();
    expect(await readDeliveryReport(report([...MESSAGE, 'Action: lost', 'Status: 5.0.0']))).toBeUndefined();
    expect(await readDeliveryReport(report([...MESSAGE, ' folded without a field', 'Action:']))).toBeUndefined();
  });
});
