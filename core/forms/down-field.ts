/** The score's field of the set that was stopped in: repetitions of it. */
export const begunField = (pair: number): string => `${pair}-begun`;
/** The score's field of a pair's way down. In a file of its own, since what reads scores in a browser needs no more of the forms. */
export const downField = (pair: number): string => `${pair}-down`;
