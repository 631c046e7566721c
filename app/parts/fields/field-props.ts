export interface DayFieldProps {
  /** Of a form that sends it. */
  readonly name?: string;
  /** Where no label stands around it. */
  readonly label?: string;
  readonly onChange?: (day: string) => void;
  /** `2026-05-11`; empty for none. */
  readonly defaultValue: string;
  readonly min?: string;
  readonly max?: string;
  readonly readOnly?: boolean;
  readonly required?: boolean;
  readonly isBad?: boolean;
}
export type HourFieldProps = Pick<DayFieldProps, 'name' | 'label' | 'defaultValue' | 'isBad'>;
