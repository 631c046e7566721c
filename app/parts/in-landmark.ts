/** Where what pops up is put: into the dialog that it belongs to, or into the page's content. */
export const inLandmark = (node?: HTMLElement): HTMLElement =>
  node?.closest<HTMLElement>('.ant-modal-container, main') ?? document.body;
