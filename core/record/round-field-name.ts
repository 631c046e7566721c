/** The log's field for the rounds of a block. In a file of its own, since the clock needs no more of them. */
export const roundFieldName = (block: number): string => `rounds-${block}`;
