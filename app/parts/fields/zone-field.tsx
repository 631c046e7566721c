import { Select } from 'antd';
import { useMemo, useState } from 'react';
import { useZones } from '../use-zones.ts';
import { useInBrowser } from './use-in-browser.ts';

/** `Europe/Lisbon` as it is looked for: by its place first, then the part of the world. */
const zoneWords = (zone: string): string => {
  const parts = zone.replaceAll('_', ' ').split('/');
  return parts.length > 1 ? `${parts.slice(1).join(', ')} (${parts[0]})` : zone;
};

/** A time zone, found by its place. */
export function ZoneField({
  name,
  defaultValue,
  onChange,
}: {
  readonly name?: string;
  readonly defaultValue: string;
  readonly onChange?: (zone: string) => void;
}) {
  const zones = useZones();
  const [zone, setZone] = useState(defaultValue);
  const options = useMemo(
    () =>
      [...new Set([defaultValue, ...zones])]
        .filter(Boolean)
        .map((value) => ({ value, label: zoneWords(value) }))
        .sort((a, b) => (a.label < b.label ? -1 : 1)),
    [zones, defaultValue],
  );
  if (!useInBrowser()) return <input name={name} defaultValue={defaultValue} />;
  return (
    <>
      <Select
        showSearch={{ optionFilterProp: 'label' }}
        value={zone}
        options={options}
        onChange={(next) => {
          setZone(next);
          onChange?.(next);
        }}
        className="picked-zone"
      />
      {name !== undefined && <input type="hidden" name={name} value={zone} />}
    </>
  );
}
