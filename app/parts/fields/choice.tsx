import { Select } from 'antd';
import { useState } from 'react';

/** From so many on a list is searched by typing. */
const SEARCHED_FROM = 6;

export interface ChoiceOption {
  readonly value: string;
  readonly words: string;
}

interface ChoiceProps {
  readonly options: readonly (ChoiceOption | string)[];
  /** What is chosen, where the page holds that; else it is kept here, beginning with `defaultValue`. */
  readonly value?: string;
  readonly defaultValue?: string;
  readonly onChange?: (value: string) => void;
  /** Of a form that sends it. */
  readonly name?: string;
  /** Where no label stands around it. */
  readonly label?: string;
  readonly className?: string;
  /** Without a frame, where it stands among words or on a card. */
  readonly isQuiet?: boolean;
}

/** One of several, from a list that opens. */
export function Choice({
  options,
  value,
  defaultValue = '',
  onChange,
  name,
  label,
  className,
  isQuiet = false,
}: ChoiceProps) {
  const [own, setOwn] = useState(defaultValue);
  const chosen = value ?? own;
  const all = options.map((o) => (typeof o === 'string' ? { value: o, label: o } : { value: o.value, label: o.words }));
  return (
    <>
      <Select
        className={`choice${className ? ` ${className}` : ''}`}
        popupMatchSelectWidth={false}
        variant={isQuiet ? 'borderless' : 'outlined'}
        value={chosen}
        options={all}
        {...(label !== undefined && { 'aria-label': label })}
        {...(all.length >= SEARCHED_FROM && { showSearch: { optionFilterProp: 'label' } })}
        // Also where what stands is taken once more: a way of progressing is then made anew.
        onSelect={(next: string) => {
          setOwn(next);
          onChange?.(next);
        }}
      />
      {name !== undefined && <input type="hidden" name={name} value={chosen} />}
    </>
  );
}
