import { Form } from 'react-router';
import type { LiveWords } from '../../../server/participant/live-view.ts';

/** A live session to come: when and where, whether one comes, and once it is on, that one is there. */
export function LiveCard({ live, base }: { live: LiveWords; base: string }) {
  const { words, minutes, place, answer, came, isNow, isFull, left, key } = live;
  return (
    <section className="live-card" aria-label="The next live session">
      <h2>Live together</h2>
      <p>
        <b>{words}</b>, your time · {minutes} min
      </p>
      {place !== '' && (
        <p className="live-place">
          {/^https?:\/\/\S+$/.test(place) ? (
            <a href={place} rel="noreferrer noopener">
              {place}
            </a>
          ) : (
            place
          )}
        </p>
      )}
      {came ? (
        <p role="status">You were there. It counts as that day’s session.</p>
      ) : (
        <Form method="post" action={`${base}/live`} className="live-answer" preventScrollReset>
          <input type="hidden" name="day" value={key} />
          {isNow ? (
            <>
              <label>
                The code that the room sees
                <input name="code" autoComplete="off" autoCapitalize="characters" maxLength={8} size={8} required />
              </label>
              <button className="quiet-button" type="submit" name="answer" value="came">
                I am here
              </button>
            </>
          ) : isFull ? (
            <p>It is full. Should a place become free, you can say yes here.</p>
          ) : (
            <>
              <button className="quiet-button" type="submit" name="answer" value="yes" aria-pressed={answer === 'yes'}>
                I come
              </button>
              <button className="quiet-button" type="submit" name="answer" value="no" aria-pressed={answer === 'no'}>
                Not this time
              </button>
              {left !== null && answer !== 'yes' && (
                <span className="soft small">
                  {left} {left === 1 ? 'place' : 'places'} left
                </span>
              )}
            </>
          )}
        </Form>
      )}
    </section>
  );
}
