import { useDeferredValue, useMemo, useState } from 'react';
import { useFetcher } from 'react-router';
import { toEditsJson } from '../../core/exchange/writing/write-edits.ts';
import { applyProgrammeEdits } from '../../core/progress/edit/apply-programme-edit.ts';
import { findDifferences, isNoDifference } from '../../core/progress/edit/find-differences.ts';
import { findGuards } from '../../core/progress/guards/find-guards.ts';
import { mergeEdits } from '../../core/progress/edit/merge-edits.ts';
import { planProgramme } from '../../core/progress/plan-programme.ts';
import type { ProgrammeEdit } from '../../core/progress/edit/programme-edit.ts';
import type { ProgrammeDocument } from '../../core/progress/programme-document.ts';
import type { action as changeAction } from './plan-change.ts';
import { unlessAsked, useLeaving } from '../parts/leaving.tsx';
import type { PlanReading } from './plan-scope.ts';
import { planTools } from './plan-scope.ts';
import type { RunDates } from '../../core/calendar/release.ts';

/** A plan as the loader gives it. */
export interface LoadedPlan extends PlanReading {
  readonly programmeId: string;
  readonly programme: ProgrammeDocument;
  readonly revision: number;
  readonly sent: readonly string[];
  readonly run: RunDates;
}

interface Proposal {
  /** The plan that it was drawn on, and what it came to. */
  readonly base: ProgrammeDocument;
  readonly programme: ProgrammeDocument;
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
  const attempt = (edits: readonly ProgrammeEdit[]) => applyProgrammeEdits(base, edits, { ...tools, locked });
  // A proposal was drawn on a plan; where that was loaded anew since, it is drawn on the new one.
  const programme = useMemo(() => {
    if (!proposal) return base;
    if (proposal.base === base) return proposal.programme;
    const again = applyProgrammeEdits(base, proposal.edits, { ...tools, locked });
    return again.status === 'changed' ? again.programme : base;
  }, [base, proposal, tools, locked]);
  const weeks = useMemo(() => planProgramme(programme, tools.planner), [programme, tools]);
  const tracks = useMemo(() => programme.tracks.map((t) => tools.book.read(t)), [programme.tracks, tools]);
  // What is worth a look, and what differs, follows a moment after the drawing: a lever is dragged without waiting for them.
  const settled = useDeferredValue(programme);
  const settledWeeks = useDeferredValue(weeks);
  const guards = useMemo(
    () =>
      findGuards({
        programme: settled,
        weeks: settledWeeks,
        tracks: settled.tracks.map((t) => tools.book.read(t)),
        run: loaded.run,
      }),
    [settled, settledWeeks, tools, loaded.run],
  );
  const difference = useMemo(
    () => (settled === base ? undefined : findDifferences(base, settled, tools.planner)),
    [base, settled, tools],
  );
  const isNothing =
    proposal !== undefined && settled === programme && (difference === undefined || isNoDifference(difference));
  const hasProposal = proposal !== undefined && !isNothing;

  const propose: Propose = (edits, words, about = words) => {
    // What came to nothing is not carried on.
    const open = isNothing ? undefined : proposal;
    const merged = mergeEdits(open?.edits ?? [], edits);
    const outcome = attempt(merged);
    setTold('');
    if (outcome.status === 'refused') {
      setProblem(outcome.message);
      return;
    }
    setProblem('');
    setProposal({
      base,
      programme: outcome.programme,
      edits: merged,
      words: [...(open?.words ?? []).filter((w) => w.about !== about), { about, words }],
    });
  };
  const leave = () => {
    setProposal(undefined);
    setProblem('');
  };
  const action = `/programmes/${loaded.programmeId}/plan/change`;
  const leaving = useLeaving(
    fetcher.data,
    (fields) => void fetcher.submit(fields, { method: 'post', action }),
    fetcher.state !== 'idle',
  );
  const send = (fields: Record<string, string>) => leaving.send({ ...fields, revision: String(loaded.revision) });
  const take = () => {
    if (hasProposal && fetcher.state === 'idle')
      send({ intent: 'change', words: proposalWords(proposal), edits: toEditsJson(proposal.edits) });
  };
  // Only once the plan has been loaded anew: else the old one would be seen for a moment.
  const answer = fetcher.state === 'idle' ? unlessAsked(fetcher.data) : undefined;
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
    base,
    programme,
    weeks,
    guards,
    tracks,
    difference,
    locked,
    tools,
    problem,
    told: isNothing ? 'Nothing would change.' : told,
    propose,
    leave,
    take,
    words: hasProposal ? proposalWords(proposal) : '',
    hasProposal,
    busy: fetcher.state !== 'idle',
    leaving: leaving.dialog,
    undo: () => send({ intent: 'undo' }),
    redo: () => send({ intent: 'redo' }),
    saveTemplate: (title: string) => send({ intent: 'save-template', title }),
    attempt,
  };
}

export type Plan = ReturnType<typeof usePlan>;
