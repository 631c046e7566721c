import { Checkbox, Input, Radio, Segmented } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { useFetcher } from 'react-router';
import { plural } from '../../core/words/words.ts';
import { kitPieces } from '../../core/movement/kit.ts';
import type { MovementLibrary } from '../../core/movement/library.ts';
import { PATTERNS } from '../../core/movement/movement.ts';
import type { QuickAsk, QuickMovement } from '../../core/movement/quick-movement.ts';
import { QUICK_ASKS, suggestMovement, toQuick } from '../../core/movement/quick-movement.ts';
import type { action } from '../movements/movements.tsx';
import { Dialog } from '../parts/dialog.tsx';
import { Choice } from '../parts/fields/choice.tsx';

interface MakeKnownDialogProps {
  /** As they are written in the session; empty: closed. */
  readonly names: readonly string[];
  readonly library: MovementLibrary;
  readonly programmeId: string;
  readonly onClose: () => void;
  readonly onKnown: () => void;
}

/** New movements under each other, each filled in by what its words suggest; kept together. */
export function MakeKnownDialog({ names, library, programmeId, onClose, onKnown }: MakeKnownDialogProps) {
  const fetcher = useFetcher<typeof action>();
  const suggested = useMemo(() => names.map((n) => toQuick(suggestMovement(n, library))), [names, library]);
  const [changed, setChanged] = useState<Readonly<Record<number, Partial<QuickMovement>>>>({});
  const rows = suggested.map((s, i): QuickMovement => ({ ...s, ...changed[i] }));
  const { data, state } = fetcher;
  const errors: Readonly<Record<number, string>> = data && 'rows' in data ? data.rows : {};
  const isDone = data !== undefined && 'known' in data && state === 'idle';
  useEffect(() => {
    if (isDone) onKnown();
  }, [isDone, onKnown]);
  const set = (i: number, change: Partial<QuickMovement>) =>
    setChanged((now) => ({ ...now, [i]: { ...now[i], ...change } }));
  const save = () =>
    void fetcher.submit(
      { intent: 'know', movements: JSON.stringify(rows.map((r, i) => ({ ...r, written: names[i] }))) },
      { method: 'post', action: `/programmes/${programmeId}/movements` },
    );
  const one = names.length === 1;
  return (
    <Dialog
      open={names.length > 0}
      title={one ? 'Make it known' : `Make ${plural(names.length, 'movement')} known`}
      okText={one ? 'Save it for us' : 'Save them for us'}
      onOk={save}
      onCancel={onClose}
      busy={state !== 'idle'}
      wide
    >
      <p className="soft small">
        Filled in by what {one ? 'its words suggest' : 'their words suggest'}. Sums, kit and who gets another shape
        follow from it; the rest can be written later in Movements.
      </p>
      {errors[-1] && (
        <p className="field-error" role="alert">
          {errors[-1]}
        </p>
      )}
      <datalist id="kit-pieces">
        {kitPieces(library.movements).map((piece) => (
          <option key={piece} value={piece} />
        ))}
      </datalist>
      {rows.map((row, i) => (
        <KnownRow key={names[i]} row={row} error={errors[i]} onSet={(change) => set(i, change)} />
      ))}
    </Dialog>
  );
}

const ASK_WORDS: Record<QuickAsk, string> = {
  wrists: 'wrists',
  shoulders: 'shoulders',
  neck: 'neck',
  back: 'back',
  hips: 'hips',
  knees: 'knees',
  ankles: 'ankles',
  jumping: 'a jump',
  overhead: 'arms overhead',
  floor: 'down on the floor',
};

function KnownRow({
  row,
  error,
  onSet,
}: {
  row: QuickMovement;
  error: string | undefined;
  onSet: (change: Partial<QuickMovement>) => void;
}) {
  const { name, isHold, isOneSided, pattern, kit, likelySec, effortClass, asks } = row;
  const [sec, setSec] = useState(String(likelySec));
  const [kitText, setKitText] = useState(kit.join(', '));
  return (
    <fieldset className="known-row">
      <legend>{name}</legend>
      {error && (
        <p className="field-error" role="alert">
          {error}
        </p>
      )}
      <div className="known-line">
        <Segmented
          aria-label={`${name} is`}
          size="small"
          value={isHold ? 'held' : 'counted'}
          options={['counted', 'held']}
          onChange={(how) => onSet({ isHold: how === 'held' })}
        />
        <label>
          <Input
            inputMode="decimal"
            htmlSize={4}
            value={sec}
            onChange={(event) => {
              setSec(event.target.value);
              onSet({ likelySec: Number(event.target.value.replace(',', '.')) });
            }}
          />{' '}
          {isHold ? 's usually' : 's each'}
        </label>
        <Checkbox checked={isOneSided} onChange={(e) => onSet({ isOneSided: e.target.checked })}>
          {' '}
          one side at a time
        </Checkbox>
        <label>
          <span className="sr">pattern</span>
          <Choice
            value={pattern}
            onChange={(next) => onSet({ pattern: next as QuickMovement['pattern'] })}
            options={PATTERNS}
          />
        </label>
        <label>
          with{' '}
          <Input
            htmlSize={16}
            list="kit-pieces"
            placeholder="nothing"
            value={kitText}
            onChange={(event) => {
              setKitText(event.target.value);
              onSet({
                kit: event.target.value
                  .split(',')
                  .map((k) => k.trim().toLowerCase())
                  .filter((k) => k !== ''),
              });
            }}
          />
        </label>
        <span className="known-effort" role="radiogroup" aria-label={`how hard ${name} feels`}>
          {([1, 2, 3, 4, 5] as const).map((n) => (
            <Radio
              key={n}
              className={n <= effortClass ? 'is-in' : ''}
              name={`effort-${name}`}
              checked={n === effortClass}
              onChange={() => onSet({ effortClass: n })}
            >
              <span className="sr">{n} of 5</span>
            </Radio>
          ))}
          <small className="soft">{EFFORT_WORDS[effortClass]}</small>
        </span>
      </div>
      <div className="known-asks">
        <span className="soft">Asks much of</span>
        {QUICK_ASKS.map((ask) => (
          <Checkbox
            key={ask}
            className={asks.includes(ask) ? 'is-in' : ''}
            checked={asks.includes(ask)}
            onChange={(e) => onSet({ asks: e.target.checked ? [...asks, ask] : asks.filter((a) => a !== ask) })}
          >
            {ASK_WORDS[ask]}
          </Checkbox>
        ))}
      </div>
    </fieldset>
  );
}

const EFFORT_WORDS: Record<QuickMovement['effortClass'], string> = {
  1: 'easy',
  2: 'light',
  3: 'some work',
  4: 'hard',
  5: 'very hard',
};
