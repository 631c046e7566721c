/** Drawing movements: fetched after the page, since the poses of all of them come along. */
export const loadFigures = () => import('../../../words/en/figures/sheet-figures.ts');
