import { Button, Checkbox, Input } from 'antd';
import { Link } from 'react-router';
import type { AttentionSettings } from '../../../core/record/attention/attention-rules.ts';
import { ATTENTION_CODES, ATTENTION_RULES, thresholdOf } from '../../../core/record/attention/attention-rules.ts';
import { useActFetcher } from './use-act-fetcher.ts';
import { RULE_WORDS } from '../../../words/en/attention.ts';

/** When the list asks: each rule in words, its threshold, on or off. */
export function RulesPanel({ settings, close }: { settings: AttentionSettings; close: string }) {
  const fetcher = useActFetcher();
  const answer = fetcher.data?.about === 'rules' ? fetcher.data : undefined;
  return (
    <section className="follow-panel rules-panel" aria-label="When the list asks">
      <Link className="follow-close" to={close} preventScrollReset aria-label="Close">
        ×
      </Link>
      <h2>When the list asks</h2>
      <fetcher.Form method="post" key={JSON.stringify(settings)}>
        <input type="hidden" name="intent" value="rules" />
        <input type="hidden" name="about" value="rules" />
        <ul>
          {ATTENTION_CODES.map((code) => {
            const { threshold } = ATTENTION_RULES[code];
            const isWrong = answer?.status === 'refused' && answer.field === `threshold-${code}`;
            return (
              <li key={code}>
                <Checkbox className="rule-name" name={`on-${code}`} defaultChecked={settings[code]?.off !== true}>
                  <b>{RULE_WORDS[code].name}</b>
                </Checkbox>
                <p className="soft small">{RULE_WORDS[code].means(thresholdOf(code, settings))}</p>
                {threshold && (
                  <label className="small rule-threshold">
                    {RULE_WORDS[code].bound ?? 'from'}{' '}
                    <Input
                      name={`threshold-${code}`}
                      inputMode="numeric"
                      htmlSize={3}
                      defaultValue={thresholdOf(code, settings)}
                      aria-invalid={isWrong || undefined}
                    />{' '}
                    {RULE_WORDS[code].unit}
                    {RULE_WORDS[code].bound ? '' : ' on'}{' '}
                    <span className="soft">({threshold.usual} unless you say so)</span>
                  </label>
                )}
                {isWrong && (
                  <p className="field-error" role="alert">
                    {answer.message}
                  </p>
                )}
              </li>
            );
          })}
        </ul>
        <Button type="primary" htmlType="submit" disabled={fetcher.state !== 'idle'}>
          Keep
        </Button>{' '}
      </fetcher.Form>
    </section>
  );
}
