import { Checkbox, Input } from 'antd';
import { useState } from 'react';
import { Link, useFetcher } from 'react-router';
import type { RollPerson } from '../../server/people/panel-person.ts';

/** Who is there: ticked by name, those who said yes first. */
export function LiveRoll({ people, words, action }: { people: readonly RollPerson[]; words: string; action: string }) {
  const [wanted, setWanted] = useState('');
  const rank = (p: RollPerson) => (p.answer === 'yes' ? 0 : p.answer === null ? 1 : 2);
  const shown = people
    .filter((p) => p.name.toLowerCase().includes(wanted.trim().toLowerCase()))
    .toSorted((a, b) => rank(a) - rank(b) || a.name.localeCompare(b.name))
    .slice(0, 60);
  return (
    <section className="live-roll" aria-label="Who is there">
      <h2>Who is there? {words}</h2>
      <p className="soft small">
        {people.filter((p) => p.came).length} there, {people.filter((p) => p.answer === 'yes').length} said yes. It
        counts as that day’s session. <Link to="?">Close</Link>
      </p>
      <label>
        Find <Input type="search" value={wanted} onChange={(event) => setWanted(event.target.value)} />
      </label>
      <ul>
        {shown.map((p) => (
          <Tick key={p.id} person={p} action={action} />
        ))}
      </ul>
    </section>
  );
}

function Tick({ person, action }: { person: RollPerson; action: string }) {
  const fetcher = useFetcher();
  const came = fetcher.formData ? fetcher.formData.get('intent') === 'came' : person.came;
  return (
    <li>
      <Checkbox
        checked={came}
        onChange={() =>
          void fetcher.submit(
            { intent: came ? 'not-came' : 'came', enrolmentId: String(person.id) },
            { method: 'post', action },
          )
        }
      >
        {' '}
        {person.name} {person.answer === 'no' && <span className="soft small">said no</span>}
      </Checkbox>
    </li>
  );
}
