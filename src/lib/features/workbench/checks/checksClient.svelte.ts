import type {
  GraphAnswer,
  MatrixAnswer,
  MatrixQuestion,
  Signs,
  SystemAnswer,
  TableAnswer,
  ToldStep,
  ValueAnswer,
  Wanted,
} from '@odd-compass/checks';
import type { EngineClient } from '../engine/engineClient.svelte';
import ChecksWorker from './checks.worker?worker';
import type {
  Asked,
  ChecksAnswer,
  ChecksRequest,
  GraphRange,
  Question,
  TableRange,
} from './messages';

interface Run {
  readonly ontotal: (total: Extract<ChecksAnswer, { kind: 'total' }>) => void;
  /** Steps of the file, and how many were told of in all. */
  readonly onsteps: (steps: readonly ToldStep[], done: number) => void;
  readonly ondone: () => void;
}

/** How far a test of the whole sheet has come. */
export interface Progress {
  readonly done: number;
  readonly total: number;
}

/** How often it is looked whether the engine has read the text, and how long that is waited for, in ms. */
const LOOK = 40;
const LONGEST = 5000;

/** Has the sheet's steps tested by a worker, which is begun when it is first asked. Places are those of the file that is written in. */
export class ChecksClient {
  /** What the last test of the whole sheet found so far; null before the first. */
  steps = $state.raw<readonly ToldStep[] | null>(null);
  /** While such a test goes on. */
  progress = $state.raw<Progress | null>(null);
  /** The revision of the text that `steps` are of. */
  revision = $state(0);
  /** What numbers alone got wrong, found by itself. */
  wrongNumbers = $state.raw<readonly ToldStep[]>([]);

  /** What the writer supposes besides what the sheet says: formulas without their marks. */
  supposed = $state('');
  /** How many relations were read in it. */
  supposedRead = $state(0);

  private worker: Worker | null = null;
  private last = 0;
  private all = 0;
  private readonly runs = new Map<number, Run>();
  private readonly asked = new Map<number, (answer: unknown) => void>();

  /** @param start begins a worker; tests hand in ones of their own. */
  constructor(
    private readonly engine: EngineClient,
    private readonly start: () => Worker = () => new ChecksWorker(),
  ) {}

  /** Tests every step of the sheet; what is found comes as it is found. */
  testAll(): void {
    this.stop();
    this.steps = [];
    this.progress = { done: 0, total: 0 };
    this.all = this.begin(
      {},
      {
        ontotal: ({ total, revision, supposed }) => {
          this.progress = { done: 0, total };
          this.revision = revision;
          this.supposedRead = supposed;
        },
        onsteps: (steps, done) => {
          this.steps = [...(this.steps ?? []), ...steps];
          if (this.progress) this.progress = { ...this.progress, done: this.progress.done + done };
        },
        ondone: () => (this.progress = null),
      },
    );
  }

  /** Ends a test of the whole sheet; what was found stays. */
  stop(): void {
    if (!this.progress) return;
    this.progress = null;
    this.runs.delete(this.all);
    this.say({ kind: 'stop', run: this.all });
  }

  /** The steps of a stretch of the text. */
  testStretch(from: number, to: number): Promise<readonly ToldStep[]> {
    const { enginePlace } = this.engine;
    return this.gathered({ within: { from: enginePlace(from), to: enginePlace(to) } });
  }

  /** Works out what is asked of a matrix of the sheet. */
  async matrix(question: MatrixQuestion): Promise<MatrixAnswer> {
    const { enginePlace } = this.engine;
    const shift = enginePlace(0);
    const answer = await this.ask('matrix', { ...question, from: enginePlace(question.from) });
    if ('refused' in answer) return answer;
    const edits = answer.edits.map(({ insert, from, to }) => ({
      insert,
      from: from - shift,
      to: to - shift,
    }));
    return { ...answer, edits };
  }

  /** The equations of a stretch of the text as one system. */
  system(from: number, to: number): Promise<SystemAnswer> {
    const { enginePlace } = this.engine;
    return this.ask('system', { from: enginePlace(from), to: enginePlace(to) });
  }

  /** The value of a marked part of a formula. */
  value(from: number, to: number): Promise<ValueAnswer> {
    const { enginePlace } = this.engine;
    return this.ask('value', { from: enginePlace(from), to: enginePlace(to) });
  }

  /** A table of the values of a marked part with one open letter. */
  table(from: number, to: number, range: TableRange): Promise<TableAnswer> {
    const { enginePlace } = this.engine;
    return this.ask('table', { from: enginePlace(from), to: enginePlace(to), ...range });
  }

  /** The graph of a marked part with one open letter. */
  graph(from: number, to: number, range: GraphRange): Promise<GraphAnswer> {
    const { enginePlace } = this.engine;
    return this.ask('graph', { from: enginePlace(from), to: enginePlace(to), ...range });
  }

  /** The letters of the sheet; places are those of the file that is written in, -1 for others. */
  async signs(): Promise<Signs> {
    const own = (at: number): number => this.engine.ownPlace(at) ?? -1;
    const { signs, notes } = await this.ask('signs', null);
    return {
      signs: signs.map((sign) => ({
        ...sign,
        first: own(sign.first),
        meaning: sign.meaning && { ...sign.meaning, at: own(sign.meaning.at) },
      })),
      notes: notes.map((note) =>
        note.kind === 'early'
          ? { ...note, first: own(note.first), introduced: own(note.introduced) }
          : { ...note, at: own(note.at) },
      ),
    };
  }

  /** Asks of what the engine has read, when it has read the text as it stands. */
  private async ask<What extends keyof Asked>(
    what: What,
    ask: Asked[What]['ask'],
  ): Promise<Asked[What]['answer']> {
    const { engine } = this;
    for (
      let waited = 0;
      engine.accountRevision !== engine.revision && waited < LONGEST;
      waited += LOOK
    ) {
      await new Promise((resolve) => setTimeout(resolve, LOOK));
    }
    const run = ++this.last;
    return new Promise((resolve) => {
      this.asked.set(run, resolve as (answer: unknown) => void);
      const { port1, port2 } = new MessageChannel();
      const question = { what, ask } as Question;
      this.say({ kind: 'ask', run, question, port: port2 }, [port2]);
      this.engine.sendReading(port1);
    });
  }

  /** Looks through the arithmetic of the sheet. */
  async testNumbers(): Promise<void> {
    const steps = await this.gathered({ numbersOnly: true });
    this.wrongNumbers = steps.filter(
      ({ result, numbersOnly }) => result === 'differs' && numbersOnly,
    );
  }

  close(): void {
    this.worker?.terminate();
    this.worker = null;
    this.runs.clear();
  }

  private gathered(wanted: Wanted): Promise<readonly ToldStep[]> {
    return new Promise((resolve) => {
      const found: ToldStep[] = [];
      this.begin(wanted, {
        ontotal: () => undefined,
        onsteps: (steps) => found.push(...steps),
        ondone: () => resolve(found),
      });
    });
  }

  private begin(wanted: Wanted, run: Run): number {
    const id = ++this.last;
    this.runs.set(id, run);
    const { port1, port2 } = new MessageChannel();
    this.say({ kind: 'steps', run: id, wanted, port: port2 }, [port2]);
    this.engine.sendReading(port1, this.supposed.trim());
    return id;
  }

  private say(request: ChecksRequest, transfer: Transferable[] = []): void {
    if (!this.worker) {
      this.worker = this.start();
      this.worker.onmessage = (event: MessageEvent<ChecksAnswer>) => this.hear(event.data);
    }
    this.worker.postMessage(request, transfer);
  }

  private hear(answer: ChecksAnswer): void {
    if (answer.kind === 'answer') {
      this.asked.get(answer.run)?.(answer.answer);
      this.asked.delete(answer.run);
      return;
    }
    const run = this.runs.get(answer.run);
    if (!run) return;
    if (answer.kind === 'total') run.ontotal(answer);
    if (answer.kind === 'steps') {
      run.onsteps(
        answer.steps.flatMap((step) => this.within(step)),
        answer.steps.length,
      );
    }
    if (answer.kind === 'done') {
      this.runs.delete(answer.run);
      run.ondone();
    }
  }

  /** A step with places of the file that is written in; none where it stands in another. */
  private within(step: ToldStep): readonly ToldStep[] {
    const shift = this.engine.enginePlace(0);
    // What defines or supposes is no step.
    if (step.untested || this.engine.ownPlace(step.from) === null) return [];
    const moved = <T extends { readonly from: number; readonly to: number }>(place: T): T => ({
      ...place,
      from: place.from - shift,
      to: place.to - shift,
    });
    return [
      {
        ...moved(step),
        left: moved(step.left),
        right: moved(step.right),
        agreeing: step.agreeing.map(moved),
      },
    ];
  }
}
