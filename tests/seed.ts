/**
 * What is random in a unit test is the same in every ordinary run, so that the same files always have the same answer: such a run
 * decides what lands. `./ysodos test --long` tries other cases each time; a case that fails names its seed, and `YSODOS_SEED` sets it.
 */
import fc from 'fast-check';
import { isLong } from './long.ts';

const ORDINARY_SEED = 20_260_901;

const wished = process.env.YSODOS_SEED;
if (wished !== undefined) fc.configureGlobal({ seed: Number(wished) });
else if (!isLong) fc.configureGlobal({ seed: ORDINARY_SEED });
