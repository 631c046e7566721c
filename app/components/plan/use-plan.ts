import { useMemo, useState } from 'react';
import { useFetcher } from 'react-router';
import type { DayDate } from '../../../core/calendar/day.ts';
import { toEditsJson } from '../../../core/exchange/programme-edit-json.ts';
import { applyProgrammeEdits } from '../../../core/progress/apply-programme-edit.ts';
import { findDifferences, isNoDifference } from '../../../core/progress/find-differences.ts';
import { findGuards } from '../../../core/progress/guards/find-guards.ts';
import { mergeEdits } from '../../../core/progress/merge-edits.ts';
import { planProgramme } from '../../../core/progress/plan-programme.ts';
import type { ProgrammeEdit } from '../../../core/progress/programme-edit.ts';
import type { ProgrammeDocument } from '../../../core/progress/programme-document.ts';
import type { action as changeAction } from '../../routes/programmes/plan-change.ts';
import type { PlanReading } from './plan-scope.ts';
import { planTools } from './plan-scope.ts';

/** A plan as the loader gives it. */
export interface LoadedPlan extends PlanReading {
  readonly programmeId: number;
  readonly programme: ProgrammeDocument;
  readonly revision: number;
  readonly sent: readonly string[];
  readonly startsOn: DayDate;
}

interface Proposal {
  readonly edits: readonly ProgrammeEdit[];
  readonly words: readonly { readonly about: string; readonly words: string }[];
}

/** `about` names what is being set, so that its last state is told and not each on the way. */
export type Propose = (edits: readonly ProgrammeEdit[], words: string, about?: string) => void;

const proposalWords = (proposal: Proposal): string => proposal.words.map((w) => w.words).join('; ');

/**
 * The plan as it stands, and as it would be: every change is proposed first, drawn at once, and carried out by the server
 * with the very same edits when it is applied.
 */
export function usePlan(loaded: LoadedPlan) {
  const { programme: base, layer, stored } = loaded;
  const tools = planTools({ layer, stored });
  const locked = useMemo(() => new Set(loaded.sent), [loaded.sent]);
  const [proposal, setProposal] = useState<Proposal>();
  const [problem, setProblem] = useState('');
  const [told, setTold] = useState('');
  const fetcher = useFetcher<typeof changeAction>();
  const apply = (edits: readonly ProgrammeEdit[]) => applyProgrammeEdits(base, edits, { ...tools, locked });
  const result = useMemo(() => (proposal ? applyProgrammeEdits(base, proposal.edits, { ...tools, locked }) : undefined), [base, proposal, tools, locked]);
  const programme = result?.status === 'changed' ? result.programme : base;
  const weeks = useMemo(() => planProgramme(programme, tools.planner), [programme, tools]);
  const tracks = useMemo(() => programme.tracks.map((t) => tools.book.read(t)), [programme.tracks, tools]);
  const guards = useMemo(() => findGuards({ programme, weeks, tracks, startsOn: loaded.startsOn }), [programme, weeks, tracks, loaded.startsOn]);
  const difference = useMemo(() => (programme === base ? undefined : findDifferences(base, programme, tools.planner)), [base, programme, tools]);

  const propose: Propose = (edits, words, about = words) => {
    const merged = mergeEdits(proposal?.edits ?? [], edits);
    const outcome = apply(merged);
    setTold('');
    if (outcome.status === 'refused') {
      setProblem(outcome.message);
      return;
    }
    setProblem('');
    const isNothing = isNoDifference(findDifferences(base, outcome.programme, tools.planner));
    setProposal(isNothing ? undefined : { edits: merged, words: [...(proposal?.words ?? []).filter((w) => w.about !== about), { about, words }] });
    if (isNothing && !proposal) setTold('Nothing would change.');
  };
  const leave = () => {
    setProposal(undefined);
    setProblem('');
  };
  const send = (fields: Record<string, string>) => void fetcher.submit({ ...fields, revision: String(loaded.revision) }, { method: 'post', action: `/programmes/${loaded.programmeId}/plan/change` });
  const take = () => {
    if (proposal && fetcher.state === 'idle') send({ intent: 'change', words: proposalWords(proposal), edits: toEditsJson(proposal.edits) });
  };
  // Only once the plan has been loaded anew: else the old one would be seen for a moment.
  const answer = fetcher.state === 'idle' ? fetcher.data : undefined;
  const [seen, setSeen] = useState<typeof answer>();
  if (answer && answer !== seen) {
    setSeen(answer);
    setProblem(answer.status === 'refused' ? answer.message : '');
    if (answer.status === 'changed') {
      setTold(answer.words.endsWith('.') ? answer.words : `${answer.words}.`);
      setProposal(undefined);
    }
  }
  return {
    base, programme, weeks, guards, tracks, difference, locked, tools, problem, told, propose, leave, take, words: proposal ? proposalWords(proposal) : '', hasProposal: proposal !== undefined,
    busy: fetcher.state !== 'idle', undo: () => send({ intent: 'undo' }), redo: () => send({ intent: 'redo' }), saveTemplate: (title: string) => send({ intent: 'save-template', title }), try: apply,
  };
}

export type Plan = ReturnType<typeof usePlan>;
