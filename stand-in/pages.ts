import type { Dials, KeptMessage } from './kept-message.ts';

const escape = (text: string): string =>
  text.replace(/[&<>"']/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' })[c]!);

const page = (title: string, body: string): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escape(title)}</title>
<style>
:root{color-scheme:light dark}
body{font:15px/1.5 Verdana,sans-serif;max-width:60rem;margin:0 auto;padding:1.5rem;background:light-dark(#eef1f0,#17191a);color:light-dark(#22282a,#e3e6e6)}
h1{font-size:1.3rem}form{display:flex;flex-wrap:wrap;gap:.6rem 1.2rem;align-items:end;padding:1rem;background:light-dark(#fff,#22282a)}
label{display:grid;gap:.2rem;font-size:.85rem}input{font:inherit;padding:.3rem;min-width:6rem}input[type=checkbox]{min-width:0}
button{font:inherit;padding:.4rem 1rem}li{padding:.4rem 0;border-bottom:1px solid light-dark(#ccd4d2,#333b3d)}ol{list-style:none;padding:0}
a{color:inherit}pre{white-space:pre-wrap;background:light-dark(#fff,#22282a);padding:1rem}iframe{width:100%;height:38rem;border:1px solid #999;background:#fff}
.soft{opacity:.75;font-size:.85rem}
</style></head><body>${body}</body></html>`;

const number = (name: keyof Dials, words: string, value: number, most: number) =>
  `<label>${words}<input type="number" name="${name}" min="0" max="${most}" value="${value}"></label>`;

/** What has come, newest first, and the dials. */
export function renderInbox(messages: readonly KeptMessage[], dials: Dials, wanted: string): string {
  const words = wanted.trim().toLowerCase();
  const shown = messages
    .filter((m) => words === '' || `${m.to} ${m.subject}`.toLowerCase().includes(words))
    .slice(-200)
    .reverse();
  return page(
    'Stand-in for mail and texts',
    `<h1>Stand-in for mail and texts</h1>
<p>What Ysodos sends in the demo ends here: nothing leaves this machine. Its moods can be dialled, to see what the application does with them.</p>
<form method="post" action="/dials" aria-label="Moods">
<label><span><input type="checkbox" name="down"${dials.down ? ' checked' : ''}> down</span></label>
${number('delayMs', 'delay, ms', dials.delayMs, 60000)}
${number('putOffPct', 'put off, %', dials.putOffPct, 100)}
${number('refusePct', 'refuse, %', dials.refusePct, 100)}
${number('bouncePct', 'bounce, %', dials.bouncePct, 100)}
<label>always bounce addresses with<input name="bounceWord" value="${escape(dials.bounceWord)}"></label>
<button type="submit">Set</button></form>
<form method="get" action="/"><label>Find<input name="q" value="${escape(wanted)}"></label><button type="submit">Find</button></form>
<p>${messages.length} ${messages.length === 1 ? 'message' : 'messages'}${shown.length < messages.length ? `, ${shown.length} shown` : ''}.</p>
<ol>${shown
      .map(
        (m) =>
          `<li><a href="/messages/${m.no}">${escape(m.subject || '(no subject)')}</a><br><span class="soft">${m.kind} to ${escape(m.to)}, ${m.at.slice(0, 19).replace('T', ' ')}${m.copies > 1 ? `, came ${m.copies} times` : ''}</span></li>`,
      )
      .join('')}</ol>`,
  );
}

export function renderMessage(m: KeptMessage): string {
  return page(
    m.subject,
    `<p><a href="/">All messages</a> · <a href="/messages/${m.no}/raw">as it came</a></p><h1>${escape(m.subject)}</h1>
<p class="soft">${m.kind} to ${escape(m.to)}, ${m.at}, ${escape(m.id)}</p>${m.html === '' ? '' : `<iframe sandbox src="/messages/${m.no}/body" title="The message as HTML"></iframe>`}<pre>${escape(m.text)}</pre>`,
  );
}
