import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const MAIN = join(import.meta.dirname, '../server/dist/main.mjs');

/** How a server is started, where not as usual. */
interface Setup {
  /** A data folder to begin with a copy of. */
  readonly like?: string;
  readonly env?: Readonly<Record<string, string>>;
  /** A program that runs it, with its arguments. */
  readonly within?: readonly string[];
}

/** A running server with a data folder of its own. */
export class RunningWorkshop {
  private process: ChildProcess | null = null;
  private port = 0;
  readonly data = mkdtempSync(join(tmpdir(), 'odd-corner-e2e-'));

  constructor(
    private readonly args: readonly string[] = [],
    private readonly setup: Setup = {},
  ) {
    if (setup.like !== undefined) cpSync(setup.like, this.data, { recursive: true });
  }

  get url(): string {
    const { env = {} } = this.setup;
    return `${env['ODD_CORNER_CERT'] ? 'https' : 'http'}://${env['HOST'] ?? '127.0.0.1'}:${this.port}`;
  }

  get pid(): number | undefined {
    return this.process?.pid;
  }

  /** What it has said so far. */
  said = '';

  /** Starts it, on the port it had before if it ran already. */
  async start(): Promise<void> {
    const [program, ...args] = [...(this.setup.within ?? []), process.execPath, MAIN, ...this.args];
    const child = spawn(program, args, { env: this.environment, stdio: ['ignore', 'pipe', 'pipe'] });
    this.process = child;
    this.said = '';
    child.stderr.on('data', (text: Buffer) => (this.said += text.toString()));
    this.port = await new Promise<number>((resolve, reject) => {
      child.stdout.on('data', (text: Buffer) => {
        this.said += text.toString();
        const open = /open at https?:\/\/[^:]+:(\d+)/.exec(this.said);
        if (open) resolve(Number(open[1]));
      });
      child.on('exit', (code) => reject(new Error(`The server ended with ${code}: ${this.said}`)));
    });
  }

  /** Begins to start it, and ends it at once after so many milliseconds, however far it has come. */
  async killWhileStarting(afterMs: number): Promise<void> {
    const child = spawn(process.execPath, [MAIN, ...this.args], { env: this.environment, stdio: 'ignore' });
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

  private get environment(): NodeJS.ProcessEnv {
    const own = { PORT: `${this.port}`, HOST: '127.0.0.1', ODD_CORNER_DATA: this.data };
    return { ...process.env, ...own, ...this.setup.env };
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

/** Runs the program to its end, and tells what it said. */
export async function runToEnd(
  env: Readonly<Record<string, string>>,
  ...args: string[]
): Promise<{ code: number; said: string }> {
  const child = spawn(process.execPath, [MAIN, ...args], {
    env: { ...process.env, HOST: '127.0.0.1', PORT: '0', ...env },
  });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (text: Buffer) => (said += text.toString()));
  const [code] = (await once(child, 'exit')) as [number];
  return { code, said };
}
