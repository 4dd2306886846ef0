import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const MAIN = join(import.meta.dirname, '../server/dist/main.mjs');

/** A running server with a data folder of its own. */
export class RunningWorkshop {
  private process: ChildProcess | null = null;
  private port = 0;
  readonly data = mkdtempSync(join(tmpdir(), 'odd-corner-e2e-'));

  /** @param like a data folder to begin with a copy of */
  constructor(
    private readonly args: readonly string[] = [],
    like?: string,
  ) {
    if (like !== undefined) cpSync(like, this.data, { recursive: true });
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** Starts it, on the port it had before if it ran already. */
  async start(): Promise<void> {
    const child = spawn(process.execPath, [MAIN, ...this.args], {
      env: { ...process.env, PORT: `${this.port}`, HOST: '127.0.0.1', ODD_CORNER_DATA: this.data },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    this.process = child;
    let said = '';
    child.stderr.on('data', (text: Buffer) => (said += text.toString()));
    this.port = await new Promise<number>((resolve, reject) => {
      child.stdout.on('data', (text: Buffer) => {
        said += text.toString();
        const open = /open at http:\/\/[^:]+:(\d+)/.exec(said);
        if (open) resolve(Number(open[1]));
      });
      child.on('exit', (code) => reject(new Error(`The server ended with ${code}: ${said}`)));
    });
  }

  /** Begins to start it, and ends it at once after so many milliseconds, however far it has come. */
  async killWhileStarting(afterMs: number): Promise<void> {
    const child = spawn(process.execPath, [MAIN, ...this.args], {
      env: { ...process.env, PORT: `${this.port}`, HOST: '127.0.0.1', ODD_CORNER_DATA: this.data },
      stdio: 'ignore',
    });
    const ended = once(child, 'exit');
    setTimeout(() => child.kill('SIGKILL'), afterMs);
    await ended;
  }

  /** Ends it at once, as a power cut would. */
  async kill(): Promise<void> {
    await this.end('SIGKILL');
  }

  /** Ends it as Ctrl-C would, and leaves its data. */
  async halt(): Promise<number | null> {
    return this.end('SIGTERM');
  }

  async stop(): Promise<number | null> {
    const code = await this.halt();
    rmSync(this.data, { recursive: true, force: true });
    return code;
  }

  private async end(signal: NodeJS.Signals): Promise<number | null> {
    const child = this.process;
    if (!child || child.exitCode !== null || child.signalCode !== null) return child?.exitCode ?? null;
    const ended = once(child, 'exit');
    child.kill(signal);
    await ended;
    return child.exitCode;
  }
}
