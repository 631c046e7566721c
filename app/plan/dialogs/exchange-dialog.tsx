import { FilePick } from '../../parts/fields/file-pick.tsx';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { applyProgrammeEdits } from '../../../core/progress/edit/apply-programme-edit.ts';
import { findDifferences, isNoDifference } from '../../../core/progress/edit/find-differences.ts';
import type { ProgrammeDocument } from '../../../core/progress/programme-document.ts';
import { pinDeviations } from '../../../core/progress/edit/regenerate.ts';
import { Dialog } from '../../parts/dialog.tsx';
import { readProgrammeFile } from './read-programme-file.ts';
import type { Plan } from '../use-plan.ts';

/** A programme out as a file, in from one, or kept as a template. An import is a proposal like any other. */
export function ExchangeDialog({
  plan,
  programmeId,
  onClose,
}: {
  plan: Plan;
  programmeId: string;
  onClose: () => void;
}) {
  const [issues, setIssues] = useState<readonly string[]>([]);
  const [found, setFound] = useState<ProgrammeDocument>();
  const [title, setTitle] = useState(plan.base.title);
  const read = async (file: File) => {
    const answer = await readProgrammeFile(file);
    setIssues('issues' in answer ? answer.issues : []);
    setFound('programme' in answer ? pinDeviations(answer.programme, plan.tools.book) : undefined);
  };
  const result =
    found &&
    applyProgrammeEdits(plan.base, [{ kind: 'replace', programme: found }], {
      book: plan.tools.book,
      locked: plan.locked,
    });
  const difference =
    result?.status === 'changed' ? findDifferences(plan.base, result.programme, plan.tools.planner) : undefined;
  return (
    <Dialog
      open
      title="Export and import"
      okText={found ? 'Propose the file' : 'Back to the plan'}
      cancelText={found ? 'Cancel' : null}
      okDisabled={found !== undefined && (!difference || isNoDifference(difference))}
      onCancel={onClose}
      onOk={() => {
        if (found && difference) {
          plan.leave();
          plan.propose([{ kind: 'replace', programme: found }], `“${found.title}” from a file`);
        }
        onClose();
      }}
    >
      <h3>Export</h3>
      <p>
        <a className="button-quiet" href={`/programmes/${programmeId}/out?as=json`} download>
          One JSON document
        </a>{' '}
        <a className="button-quiet" href={`/programmes/${programmeId}/out?as=texts`} download>
          A folder of texts
        </a>
      </p>
      <p className="soft small">
        Everything but the people: sessions, tracks and how they grow, what is kept as it is, themes, blocked days. Both
        come in again without loss.
      </p>
      <h3>Save as a template</h3>
      <p className="blocked-add">
        <Input
          aria-label="Title of the template"
          value={title}
          maxLength={120}
          onChange={(event) => setTitle(event.target.value)}
        />{' '}
        <Button
          htmlType="button"
          disabled={title.trim() === ''}
          onClick={() => {
            plan.saveTemplate(title.trim());
            onClose();
          }}
        >
          Save
        </Button>
      </p>
      <p className="soft small">A new programme can start from it. One of the same title is replaced.</p>
      <h3>Import</h3>
      <FilePick
        label="A programme’s file"
        accept=".json,.zip,application/json,application/zip"
        onFile={(file) => void read(file)}
      />
      {issues.length > 0 && (
        <ul className="plain-list plan-off" role="alert">
          {issues.slice(0, 12).map((i) => (
            <li key={i}>{i}</li>
          ))}
          {issues.length > 12 && <li>and {issues.length - 12} more</li>}
        </ul>
      )}
      {result?.status === 'refused' && (
        <p className="plan-off" role="alert">
          {result.message}
        </p>
      )}
      {found && difference && (
        <p role="status">
          {isNoDifference(difference) ? (
            'The file is this programme as it stands.'
          ) : (
            <>
              “{found.title}”: {difference.days.length} {difference.days.length === 1 ? 'day' : 'days'} would change.{' '}
              {difference.others.join(' ')} It is shown on the plan first.
            </>
          )}
        </p>
      )}
    </Dialog>
  );
}
