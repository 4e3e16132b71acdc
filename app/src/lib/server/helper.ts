import { fork, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { Complaint } from '@even-page/core/complaint';
import { environment } from './environment.ts';
import type { HelperAnswer } from './helpers/serve.ts';
import { logTrouble } from './log.ts';

/** What a helper may take for one question, and what is said when that was not enough, or it broke. */
export type Bounds = { mostMs: number; mostMb: number; tooLong: string; tooLarge: string; broken: string };

type Turn<Q, A> = { question: Q; resolve: (answer: A) => void; reject: (cause: unknown) => void };

/**
 * Programs beside the server for work that material from outside decides the size of: each question has a limit of
 * time and memory, and what breaks a helper breaks no other request. A process and not a thread, for only a
 * process has bounds on all of its memory.
 */
export class Helper<Q extends object, A> {
  readonly #program: string;
  readonly #bounds: Bounds;
  readonly #most: number;
  readonly #idle: ChildProcess[] = [];
  readonly #waiting: Turn<Q, A>[] = [];
  #busy = 0;

  /**
   * @param program the name of its file in the folder of helpers
   * @param most how many questions are worked on at once; the others wait in their order
   */
  constructor(program: string, bounds: Bounds, most = 1) {
    this.#program = program;
    this.#bounds = bounds;
    this.#most = most;
  }

  /** Asks a question. Throws a Complaint when the helper has one, or was stopped at a limit. */
  ask(question: Q): Promise<A> {
    return new Promise((resolve, reject) => {
      this.#waiting.push({ question, resolve, reject });
      this.#next();
    });
  }

  #next(): void {
    if (this.#busy >= this.#most) return;
    const turn = this.#waiting.shift();
    if (!turn) return;
    this.#busy++;
    void this.#work(turn).finally(() => {
      this.#busy--;
      this.#next();
    });
  }

  async #work({ question, resolve, reject }: Turn<Q, A>): Promise<void> {
    const helper = this.#idle.pop() ?? this.#started();
    const { mostMs, tooLong, tooLarge, broken } = this.#bounds;
    const said = await new Promise<HelperAnswer<A>>((done) => {
      const end = (answer: HelperAnswer<A>) => {
        clearTimeout(timer);
        helper.off('message', heard).off('exit', ended).off('error', failed);
        done(answer);
      };
      const heard = (answer: unknown) => {
        this.#idle.push(helper);
        end(answer as HelperAnswer<A>);
      };
      // Its own watch ends it so when it takes too much memory (helpers/serve.ts); the engine aborts when its heap is full.
      const ended = (code: number | null, signal: string | null) =>
        end(signal === 'SIGUSR2' || signal === 'SIGABRT' || code === 134 ? { complaint: tooLarge } : { complaint: broken });
      const failed = (cause: Error) => {
        logTrouble(cause);
        helper.kill('SIGKILL');
        end({ complaint: broken });
      };
      const timer = setTimeout(() => {
        helper.kill('SIGKILL');
        end({ complaint: tooLong });
      }, mostMs);
      helper.on('message', heard).on('exit', ended).on('error', failed);
      helper.send(question, (cause) => cause && failed(cause));
    });
    if ('answer' in said) resolve(said.answer);
    else {
      if ('trouble' in said) console.error(said.trouble);
      reject(new Complaint('complaint' in said ? said.complaint : broken));
    }
  }

  #started(): ChildProcess {
    const helper = fork(join(environment.EVEN_PAGE_HELPERS, `${this.#program}.js`), {
      serialization: 'advanced',
      execArgv: [`--max-old-space-size=${this.#bounds.mostMb}`],
      // Nothing of the server's own settings: a helper needs no key and no token.
      env: { PATH: process.env.PATH, EVEN_PAGE_HELPER_MB: String(this.#bounds.mostMb) },
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    });
    // One that ends, or fails late, while nobody waits for it is only forgotten.
    helper.on('exit', () => this.#forget(helper)).on('error', () => this.#forget(helper));
    // A helper that waits for its next question does not keep the server from stopping.
    helper.unref();
    helper.channel?.unref();
    return helper;
  }

  #forget(helper: ChildProcess): void {
    const at = this.#idle.indexOf(helper);
    if (at >= 0) this.#idle.splice(at, 1);
  }
}
