import { isSurprise, partsWords, setUpWords } from '../../../../core/clock/voice/set-up.ts';
import type { Stage } from '../../../../core/clock/stage.ts';

/** Of a list, a rest names so many. */
const MOST_LINES = 4;

/** In a rest: what comes next, as large as what is done now, with side, number, how it is done and what is to be set up for it. */
export function NextFace({ next }: { next: Stage }) {
  const { title, figure, details, sides, switchAtSec, lines, setUp } = next;
  const changes = setUp ? setUpWords(setUp) : [];
  const parts = setUp ? partsWords(setUp) : '';
  if (isSurprise(next))
    return (
      <div className="clock-coming">
        <p className="soft">next</p>
        <p className="clock-coming-name is-list">{next.nextWords}</p>
      </div>
    );
  return (
    <div className="clock-coming">
      <p className="soft">next</p>
      <p className={`clock-coming-name${lines.length > 0 ? ' is-list' : ''}`}>{title}</p>
      {lines.length > 0 ? (
        <ul className="clock-lines">
          {lines.slice(0, MOST_LINES).map((line, i) => (
            <li key={i}>
              <b>{line.figure}</b> <span>{line.name}</span>
            </li>
          ))}
          {lines.length > MOST_LINES && <li>and {lines.length - MOST_LINES} more</li>}
        </ul>
      ) : (
        <p className="clock-coming-dose">
          {sides.length > 0 && <span className="clock-side">{sideFirst(next)}</span>}
          {figure !== '' && <b>{splitWords(figure, sides)}</b>}
          {details !== '' && <span>{details}</span>}
          {sides.length > 1 && switchAtSec.length === 0 && !figure.includes('+') && figure !== '' && (
            <span>{sides.join(' and ')}</span>
          )}
        </p>
      )}
      {changes.length > 0 && <p className="clock-coming-set">{changes.join(' · ')}</p>}
      {(parts || setUp?.doing) && <p className="soft">{parts || setUp!.doing}</p>}
    </div>
  );
}

/** `left first` where both come, `left side` where one does. */
const sideFirst = ({ sides }: Stage): string => (sides.length > 1 ? `${sides[0]} first` : `${sides[0]} side`);

/** `7 + 6` as what each side has. */
function splitWords(figure: string, sides: Stage['sides']): string {
  const [first, second] = figure.split(' + ');
  return second === undefined ? figure : `${first} ${sides[0]}, ${second} ${sides[1]}`;
}
