import { Fragment } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { lineText, sheetLength, sheetText } from '../../core/exchange/session-text.ts';
import type { Letter, WrittenMessage } from '../../core/messages/message-facts.ts';
import type { SessionSheet } from '../../core/session/session-sheet.ts';
import { sheetFilms } from '../../core/session/session-sheet.ts';

const MOST_SUBJECT = 120;
/** Two parts of 160 letters, less what a gateway may add. */
const MOST_SHORT = 300;
/** Of a text's own words so much is kept, however long its link. */
const LEAST_SHORT = 20;

/** One line, without what a mail's head can't hold. */
const oneLine = (text: string): string =>
  text
    // Control characters, line breaks among them.
    .replace(/[\p{Cc}\u2028\u2029]+/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim();

const cut = (text: string, letters: number): string =>
  text.length <= letters ? text : `${text.slice(0, letters - 1).trimEnd()}…`;

/** A letter as it leaves: subject, plain text, HTML, and a short text. The HTML has no pictures and is readable on light and dark paper. */
export const writeLetter = (letter: Letter): WrittenMessage => ({
  subject: cut(oneLine(letter.subject), MOST_SUBJECT),
  text: plainText(letter),
  html: `<!doctype html>${renderToStaticMarkup(<Mail {...letter} />)}`,
  short: `${cut(oneLine(letter.short), Math.max(LEAST_SHORT, MOST_SHORT - letter.door.url.length))} ${letter.door.url}`,
});

function plainText({ opening, door, sheet, asides, foot }: Letter): string {
  const ends = [foot.from, foot.stop ? `${foot.stop.words}: ${foot.stop.url}` : ''].filter((line) => line !== '');
  return `${[
    ...opening.map((lines) => lines.join('\n')),
    `${door.words}: ${door.url}`,
    ...(sheet ? [sheetText(sheet)] : []),
    ...asides,
    ...(ends.length > 0 ? [ends.join('\n')] : []),
  ].join('\n\n')}\n`;
}

const STYLE = `body{margin:0;background:#faf6ee;color:#2b2622;font:16px/1.5 "Atkinson Hyperlegible Next",Verdana,sans-serif}
main{max-width:34em;margin:0 auto;padding:20px}h1{font-size:22px;line-height:1.2;margin:0 0 4px}h2{font-size:16px;margin:18px 0 4px}
p{margin:0 0 10px}ul{margin:0;padding-left:20px}a{color:#7b2b5e}.go{display:inline-block;background:#7b2b5e;color:#fff;text-decoration:none;padding:10px 18px;border-radius:6px}
small,.soft{color:#6b6259}@media (prefers-color-scheme:dark){body{background:#1f1b1d;color:#efe8df}a{color:#e39ac4}.go{background:#e39ac4;color:#1f1b1d}small,.soft{color:#b8aca3}}`;

function Mail({ title, opening, door, sheet, asides, foot }: Letter) {
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width" />
        <meta name="color-scheme" content="light dark" />
        <meta name="supported-color-schemes" content="light dark" />
        <title>{title}</title>
        {/* Ours, without a letter of anybody's: markup would turn its quotation marks into what no style sheet reads. */}
        <style dangerouslySetInnerHTML={{ __html: STYLE }} />
      </head>
      <body>
        <main>
          {opening.map((lines, i) => (
            <p key={i}>
              <Lines lines={lines} />
            </p>
          ))}
          {sheet && <Head sheet={sheet} />}
          <p>
            <a className="go" href={door.url}>
              {door.words}
            </a>
          </p>
          {sheet?.blocks.map((block, i) => (
            <Block key={i} {...block} />
          ))}
          {asides.map((aside) => (
            <p key={aside}>{aside}</p>
          ))}
          {sheet &&
            sheetFilms(sheet).map(({ of, url }) => (
              <p key={url}>
                Film of {of}: <a href={url}>{url}</a>
              </p>
            ))}
          {(foot.from !== '' || foot.stop) && (
            <p>
              <small>
                {foot.from}
                {foot.stop && (
                  <>
                    <br />
                    <a href={foot.stop.url}>{foot.stop.words}</a>
                  </>
                )}
              </small>
            </p>
          )}
        </main>
      </body>
    </html>
  );
}

function Head({ sheet }: { sheet: SessionSheet }) {
  return (
    <>
      <h1>{sheet.title}</h1>
      <p>
        {sheetLength(sheet)}
        <br />
        Have ready: {sheet.kit}
      </p>
      {sheet.note !== '' && <p>{sheet.note}</p>}
    </>
  );
}

function Block({ name, rule, rules, lines, thenRest }: SessionSheet['blocks'][number]) {
  return (
    <>
      <h2>
        {name} <span className="soft">{rule}</span>
      </h2>
      {rules.map((r) => (
        <p key={r} className="soft">
          {r}
        </p>
      ))}
      <ul>
        {lines.map((line, i) => (
          <li key={i}>{lineText(line)}</li>
        ))}
      </ul>
      {thenRest !== undefined && <p className="soft">{thenRest}</p>}
    </>
  );
}

const Lines = ({ lines }: { lines: readonly string[] }) =>
  lines.map((line, i) => (
    <Fragment key={i}>
      {i > 0 && <br />}
      {line}
    </Fragment>
  ));
