/** Whether all is tried (`./ysodos test --long`), or as much of it as finds nearly everything in a fraction of the time. */
export const isLong = process.env.YSODOS_LONG !== undefined;

/** So many random cases; every fourth of them in the short form. */
export const runs = (all: number): number => (isLong ? all : Math.ceil(all / 4));

/** Of a list that is tried as a whole in the long form, every `nth`. */
export const everyNth = <T>(list: readonly T[], nth: number): T[] => list.filter((_, i) => isLong || i % nth === 0);
