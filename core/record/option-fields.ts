import type { ChosenShape } from '../clock/shapes.ts';
import type { Block, WorkItem } from '../document/document.ts';
import { hasOptions } from '../document/option.ts';
import type { MovementLibrary } from '../movement/library.ts';
import { takenOption } from '../movement/taken-option.ts';
import { isWork, itemDetails, itemName, speakDose } from '../words/describe-item.ts';

/** What is asked of a line that leaves a choice: which of its options was done. */
export interface OptionField {
  /** Of the form. Its value is the number of an option, from 0; empty where nobody said. */
  readonly name: string;
  readonly block: number;
  readonly item: number;
  /** The movement of each option. */
  readonly options: readonly string[];
}

/** The lines of a session that leave a choice. `blocks` are resolved. */
export const optionFields = (blocks: readonly Block[]): OptionField[] =>
  blocks.flatMap(({ items }, b) =>
    items.flatMap((item, i): OptionField[] =>
      isWork(item) && hasOptions(item)
        ? [
            {
              name: `option-${b}-${i}`,
              block: b,
              item: i,
              options: item.choices.map(({ name }) => name),
            },
          ]
        : [],
    ),
  );

/** Each option of a field as it is done, in words: `5 split squat, each side, with 8 kg`. */
export function optionLines(field: OptionField, blocks: readonly Block[], library: MovementLibrary): string[] {
  const block = blocks[field.block]!;
  const item = block.items[field.item]!;
  return isWork(item) ? item.choices.map((_, n) => lineWords(takenOption(item, n, library), block)) : [];
}

function lineWords(item: WorkItem, { count }: Block): string {
  const dose = speakDose(item.dose, count);
  const name = `${dose.figure} ${itemName(item)}`.trim();
  return [name, ...itemDetails(item, count)].join(', ');
}

/**
 * What was chosen, with what a form says of options: a line that the form speaks of is as it says, all others as the clock saw them.
 * `value` gives a field's text. The first option is what stands written, so choosing it is no change.
 */
export function withOptions(
  chosen: readonly ChosenShape[],
  fields: readonly OptionField[],
  value: (name: string) => string,
): ChosenShape[] {
  const said = fields.flatMap((field) => {
    const option = /^\d$/.test(value(field.name)) ? field.options[Number(value(field.name))] : undefined;
    return option === undefined ? [] : [{ field, option }];
  });
  const isSaid = ({ block, item }: ChosenShape) => said.some((s) => s.field.block === block && s.field.item === item);
  return [
    ...chosen.filter((c) => !isSaid(c)),
    ...said.flatMap(({ field: { block, item, options }, option }) =>
      option === options[0] ? [] : [{ block, item, from: options[0]!, to: option }],
    ),
  ];
}

/** The number of the option that a record or a clock says was done, as a form's value; empty where nothing is said of the line. */
export function optionValue(field: OptionField, chosen: readonly ChosenShape[]): string {
  const own = chosen.find((c) => c.block === field.block && c.item === field.item);
  const option = own ? field.options.indexOf(own.to) : -1;
  return option < 0 ? '' : String(option);
}
