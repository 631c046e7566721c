export const MAX_STEP = 100;
