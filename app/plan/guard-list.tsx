import { Button, Checkbox, Input } from 'antd';
import { useState } from 'react';
import type { Guard, GuardCode } from '../../core/progress/guards/guard.ts';
import { GUARD_CODES, GUARD_RAILS } from '../../core/progress/guards/guard.ts';
import type { GuardSettings } from '../../core/progress/programme-document.ts';
import type { Weekday } from '../../core/calendar/day-place.ts';
import { RAIL_WORDS, guardSubject, guardWords } from '../../words/en/guards.ts';

interface GuardListProps {
  readonly guards: readonly Guard[];
  readonly settings: GuardSettings;
  readonly firstWeekday: Weekday;
  /** The week that it is; what concerns only weeks before it is folded away. */
  readonly fromWeek: number;
  readonly onSettings: (settings: GuardSettings, words: string) => void;
  readonly onShow: (guard: Guard) => void;
}

const SHOWN = 6;

/** What is worth a look in the programme: figures, threshold and source, and how to switch each off. Never a verdict. */
export function GuardList({ guards, settings, firstWeekday, fromWeek, onSettings, onShow }: GuardListProps) {
  const [all, setAll] = useState(false);
  const [rails, setRails] = useState(false);
  const ahead = guards.filter((g) => g.weeks.some((w) => w >= fromWeek));
  const shown = all ? guards : ahead.slice(0, SHOWN);
  const off = (code: GuardCode) =>
    onSettings(
      { ...settings, off: [...settings.off.filter((c) => c !== code), code] },
      `“${RAIL_WORDS[code].name}” no longer pointed out`,
    );
  const on = (code: GuardCode) =>
    onSettings({ ...settings, off: settings.off.filter((c) => c !== code) }, `“${RAIL_WORDS[code].name}” pointed out`);
  return (
    <section className="guards" aria-label="Worth a look">
      <h2>
        Worth a look <span className="soft small">{guards.length === 0 ? 'nothing' : `${ahead.length} ahead`}</span>
      </h2>
      <ul>
        {shown.map((g, i) => (
          <li key={`${g.code} ${i}`}>
            <button type="button" className="guard-subject" onClick={() => onShow(g)}>
              {guardSubject(g, firstWeekday)}.
            </button>{' '}
            {guardWords(g, firstWeekday)}
            <span className="guard-foot soft small">
              {g.threshold !== null && `from ${g.threshold} ${RAIL_WORDS[g.code].unit} on · `}
              <span title={RAIL_WORDS[g.code].source}>{RAIL_WORDS[g.code].from}</span> ·{' '}
              <Button type="text" size="small" className="tool small" onClick={() => off(g.code)}>
                switch off<span className="sr"> {RAIL_WORDS[g.code].name}</span>
              </Button>
            </span>
          </li>
        ))}
      </ul>
      <p className="guard-more">
        {(guards.length > shown.length || all) && (
          <Button type="text" size="small" className="tool small" onClick={() => setAll(!all)}>
            {all ? 'Only what is ahead' : `All ${guards.length}`}
          </Button>
        )}
        <Button type="text" size="small" className="tool small" aria-expanded={rails} onClick={() => setRails(!rails)}>
          What is looked for{settings.off.length > 0 && `, ${settings.off.length} off`}
        </Button>
      </p>
      {rails && (
        <ul className="guard-rails">
          {GUARD_CODES.map((code) => {
            const rail = GUARD_RAILS[code];
            const { name, means, unit, source } = RAIL_WORDS[code];
            const isOff = settings.off.includes(code);
            return (
              <li key={code}>
                <Checkbox checked={!isOff} onChange={() => (isOff ? on(code) : off(code))}>
                  {' '}
                  <b>{name}</b>
                </Checkbox>
                <p className="small">
                  {means}
                  {rail.threshold !== null && (
                    <>
                      {' '}
                      <Input
                        type="number"
                        aria-label={`Threshold of ${name}`}
                        min={rail.least}
                        max={rail.most}
                        step={rail.threshold % 1 === 0 && unit !== '' ? 1 : 0.1}
                        defaultValue={settings.thresholds[code] ?? rail.threshold}
                        onBlur={(event) => {
                          const value = Number(event.target.value);
                          if (event.target.value === '' || !(value >= rail.least && value <= rail.most))
                            event.target.value = String(settings.thresholds[code] ?? rail.threshold);
                          else if (value !== (settings.thresholds[code] ?? rail.threshold)) {
                            const { [code]: _old, ...others } = settings.thresholds;
                            onSettings(
                              {
                                ...settings,
                                thresholds: value === rail.threshold ? others : { ...others, [code]: value },
                              },
                              `“${name}” from ${value} ${unit} on`,
                            );
                          }
                        }}
                      />{' '}
                      {unit}
                    </>
                  )}
                </p>
                <p className="soft small">{source}</p>
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}
