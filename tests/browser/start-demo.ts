import type { TestProject } from 'vitest/node';
import { startDemo } from '../../bin/running-demo.ts';

declare module 'vitest' {
  export interface ProvidedContext {
    demo: {
      base: string;
      password: string;
      workspaces: { title: string; coachEmail: string; programmeId: number; linkPath: string; linkName: string }[];
    };
  }
}

/** One demo with a stopped clock (Wednesday 13 May 2026, 09:00 UTC) for all browser tests. */
export default async function setup(project: TestProject) {
  const { stop, ...demo } = await startDemo('.local/browser-test');
  project.provide('demo', { ...demo, workspaces: [...demo.workspaces] });
  return stop;
}
