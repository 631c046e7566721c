import type { Welcome } from '../../../server/participant/welcome.ts';
import { plural } from '../../../core/words/words.ts';

/** Said once to somebody who has come in: who coaches, what it is, when it begins, and how to keep the page. */
export function WelcomeWords({
  welcome,
  programmeTitle,
  asked,
  next,
}: {
  welcome: Welcome;
  programmeTitle: string;
  asked: string | null;
  next: { readonly words: string; readonly time: string } | null;
}) {
  const { coachName, about, sessions, weeks, firstWords, lastWords } = welcome;
  return (
    <section className="notice welcome" aria-label="Welcome">
      <h2>Welcome to {programmeTitle}</h2>
      <p>
        {coachName !== '' && `${coachName} coaches you. `}
        {plural(sessions, 'session')}
        {weeks > 1 && ` in ${weeks} weeks`}, {firstWords === lastWords ? 'on ' : 'from '}
        {firstWords}
        {firstWords !== lastWords && ` to ${lastWords}`}.
        {next && ` The next one opens on ${next.words} at ${next.time}, your time.`}
      </p>
      {about !== '' && <p>{about}</p>}
      <p>
        This page is yours alone: keep its address. Put it on the phone’s home screen, or bookmark it; each message
        brings it as well.
      </p>
      {asked !== null && <p>A message is on its way to {asked}: confirm it there, and your sessions come to it.</p>}
    </section>
  );
}
