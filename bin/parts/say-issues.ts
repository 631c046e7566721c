import type { NotationIssue } from '../../core/text/issue.ts';

/** What can't be read of a session file, a line each, with its place and what is nearest to it. */
export function sayIssues(file: string, issues: readonly NotationIssue[]): void {
  for (const issue of issues) {
    const near = issue.suggestions.length > 0 ? ` Nearest: ${issue.suggestions.join(', ')}` : '';
    process.stderr.write(`${file}:${issue.line}:${issue.column}: ${issue.message}${near}\n`);
  }
}
