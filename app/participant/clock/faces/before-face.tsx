import { Link } from 'react-router';
import { formatClock } from '../../../../core/words/format-clock.ts';
import type { Clock } from '../use-clock.ts';
import { SoundSwitches } from './sound-switches.tsx';

interface BeforeFaceProps {
  readonly title: string;
  readonly totalSec: number;
  readonly isEmpty: boolean;
  readonly clock: Pick<Clock, 'saved' | 'start' | 'heard' | 'hear' | 'hasTempo'>;
  readonly back: string;
  /** What to warm up with where the session has nothing for it; null where it has. */
  readonly warmUp: WarmUp | null;
}

export interface WarmUp {
  readonly words: string;
  readonly film: string;
}

/** Before it is started: what it does, what is heard, and going on where one stopped. */
export function BeforeFace({ title, totalSec, isEmpty, clock, back, warmUp }: BeforeFaceProps) {
  const { saved, start } = clock;
  return (
    <main className="clock is-ready">
      <p className="clock-top">
        <span>{title}</span>
        <span>{formatClock(totalSec)}</span>
      </p>
      <h1>{isEmpty ? 'This session has nothing to time' : 'Put the phone where you can see it'}</h1>
      <noscript>
        <p className="clock-note">
          The clock needs JavaScript, which is switched off here. The session can be done from its list, and logged
          without it.
        </p>
      </noscript>
      <p>
        The clock says what comes next, with its side and its number, and counts three, two, one. At your own pace it
        waits for a tap.
      </p>
      {warmUp && !isEmpty && !saved && <WarmUpFirst {...warmUp} />}
      <div className="clock-foot">
        <SoundSwitches {...clock} />
        {saved && (
          <button type="button" className="clock-main" onClick={() => start(saved)}>
            {saved.status === 'finished' ? 'It is done: log it' : 'Go on where you stopped'}
          </button>
        )}
        {!isEmpty && (
          <button type="button" className={saved ? 'clock-second' : 'clock-main'} onClick={() => start()}>
            {saved ? 'From the beginning' : 'Start'}
          </button>
        )}
        <Link className="clock-second" to={back}>
          Back to the session
        </Link>
      </div>
    </main>
  );
}

/** Asked once, before the start, where the session begins with its main work. */
function WarmUpFirst({ words, film }: WarmUp) {
  return (
    <section className="clock-warm-up" aria-labelledby="warm-up">
      <h2 id="warm-up">Did you warm up?</h2>
      <p>
        This session begins with its main work.{' '}
        {words || 'Move easily for five minutes first: march, then circle every joint.'}
      </p>
      {film && (
        <p>
          <a href={film} target="_blank" rel="noreferrer">
            See the warm-up
          </a>
        </p>
      )}
    </section>
  );
}
