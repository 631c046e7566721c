import type { ChildProcess } from 'node:child_process';
import { fork } from 'node:child_process';

/** Starts a program anew whenever it ends, as a supervisor does (`Restart=always`). */
export class Keeper {
  private child: ChildProcess | undefined;
  private isOver = false;
  starts = 0;
  private readonly file: string;
  private readonly env: NodeJS.ProcessEnv;

  constructor(file: string, env: NodeJS.ProcessEnv) {
    this.file = file;
    this.env = env;
    this.start();
  }

  private start(): void {
    this.starts++;
    this.child = fork(this.file, [], {
      execArgv: ['--import', 'tsx'],
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
      env: this.env,
    });
    this.child.once('close', () => {
      if (!this.isOver) setTimeout(() => this.isOver || this.start(), 300);
    });
  }

  /** Ends it as a power cut does. */
  kill(): void {
    this.child?.kill('SIGKILL');
  }

  /** Ends it for good. */
  async stop(): Promise<void> {
    this.isOver = true;
    const { child } = this;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const ended = new Promise<void>((done) => child.once('close', () => done()));
    child.kill('SIGTERM');
    const impatient = setTimeout(() => child.kill('SIGKILL'), 20_000);
    await ended;
    clearTimeout(impatient);
  }
}
