import { Button } from 'antd';
import { fillDays } from '../../core/progress/edit/fill-weeks.ts';
import { filledWords, fillWords } from '../../words/en/plan.ts';
import type { Plan } from './use-plan.ts';

/** Fills all days to write from the weeks before them: proposed first, as every change is. Nothing where there is nothing to fill. */
export function FillPress({ plan: { programme, locked, propose } }: { plan: Plan }) {
  const { edits, filled } = fillDays(programme, locked);
  if (filled.length === 0) return null;
  return (
    <Button size="small" htmlType="button" onClick={() => propose(edits, filledWords(filled.length))}>
      {fillWords(filled.length)}
    </Button>
  );
}
