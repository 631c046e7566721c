import type { PassedBy } from '../../core/movement/layer.ts';

/** What is stored and can't be used, told once on every page that goes on without it. */
export function PassedByWords({ told, movementsPath }: { told: readonly PassedBy[]; movementsPath: string }) {
  if (told.length === 0) return null;
  return (
    <aside className="notice bad passed-by no-print" aria-label="Passed by">
      <p>
        {told.length === 1
          ? 'Something that is stored can’t be used'
          : `${told.length} things that are stored can’t be used`}{' '}
        and {told.length === 1 ? 'is' : 'are'} passed by; what ships stands in. Mend it under{' '}
        <a href={movementsPath}>Movements</a>, or in Write where it is a routine.
      </p>
      <ul>
        {told.map(({ what, why }) => (
          <li key={what}>
            {what}: {why}
          </li>
        ))}
      </ul>
    </aside>
  );
}
