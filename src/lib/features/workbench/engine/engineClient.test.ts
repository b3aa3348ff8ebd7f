import { applyEdits, Session, type Finding, type OutlineEntry } from '@odd-compass/engine';
import { WorkerHost, type Request, type Response } from '@odd-compass/engine/worker';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { HELD } from '../../../../../packages/engine/src/document/font';
import { wholeOf } from '../../../../../packages/engine/src/output/display/description';
import {
  inArticle,
  testFonts,
  textFiles,
  TODAY,
  typeset,
} from '../../../../../packages/engine/src/testing/document';
import { editOf, relativeEdit } from '../../../../../packages/engine/src/testing/edits';
import { EngineClient } from './engineClient.svelte';

beforeAll(() => {
  vi.stubGlobal('location', { origin: 'http://here' });
  vi.stubGlobal('requestAnimationFrame', (act: () => void) => setTimeout(act, 1));
});
afterAll(() => {
  vi.unstubAllGlobals();
});

const FILES = {
  'part.tex': 'Words of the part $x$.',
  'other.tex': '\\section{Other}\\label{other} Text.',
};

/** The worker's thread as a queue: what is said to it and by it takes as many turns as the test says. */
class SlowWorker {
  onmessage: ((event: MessageEvent<Response>) => void) | null = null;
  readonly failures: string[] = [];
  private readonly host: WorkerHost;
  private queue: Promise<void> = Promise.resolve();

  constructor(private readonly delay: () => number) {
    this.host = new WorkerHost({
      fetchFont: (file) => Promise.resolve(testFonts(file)),
      fetchFile: (address) => {
        const text = FILES[address as keyof typeof FILES];
        return Promise.resolve(text === undefined ? null : new TextEncoder().encode(text));
      },
      decode: (bytes) => new TextDecoder().decode(bytes),
      post: (response) => void this.later(() => this.tell(response)),
      paint: () => undefined,
      painted: () => this.turns(this.delay()),
      turn: () => this.turns(1),
      now: () => (this.clock += 5),
    });
  }
  private clock = 0;

  private tell(response: Response): void {
    if (response.kind === 'failed') this.failures.push(response.reason);
    this.onmessage?.({ data: structuredClone(response) } as MessageEvent<Response>);
  }

  postMessage(request: Request): void {
    const said = structuredClone(request);
    void this.later(() => void this.host.take(said));
  }

  terminate(): void {
    this.onmessage = null;
  }

  /** Things happen in the order they were said. */
  private later(act: () => void): Promise<void> {
    this.queue = this.queue.then(() => this.turns(this.delay())).then(act);
    return this.queue;
  }

  private async turns(count: number): Promise<void> {
    for (let i = 0; i < count; i++) await new Promise((resolve) => setTimeout(resolve, 0));
  }
}

const opened = (text: string) => ({ path: 'sheet.tex', text, part: null });
const addresses = (names: readonly string[]) => names.map((name) => ({ name, address: name }));

/** Waits until the client knows all of the last edit. */
async function settled(client: EngineClient, edits: number): Promise<void> {
  for (let i = 0; i < 4000; i++) {
    const done = client.accountRevision === edits + 1 && client.revision === edits + 1;
    if (done && client.pagesRevision === edits + 1) return;
    await new Promise((resolve) => setTimeout(resolve, 2));
  }
  throw new Error(
    `not settled: ${client.accountRevision}/${client.revision}/${client.pagesRevision} of ${edits + 1}`,
  );
}

const said = (findings: readonly Finding[], outline: readonly OutlineEntry[]) => ({
  findings: findings.map(({ kind, from, to, file }) => [kind, from, to, file]),
  outline,
});

const filesNamed = (names: readonly string[]) =>
  textFiles(Object.fromEntries(Object.entries(FILES).filter(([name]) => names.includes(name))));

/** A session that is told the same, with nothing between: it has the last good forms of formulas too. */
const toldTheSame = (text: string): Session => {
  const session = new Session({
    fonts: testFonts,
    today: TODAY,
    files: filesNamed(Object.keys(FILES)),
    keepLastGood: true,
  });
  session.setText(text);
  return session;
};

const heldOn = (pages: readonly { readonly runPaint: ArrayLike<number> }[]): boolean =>
  pages.some(({ runPaint }) => Array.from(runPaint).includes(HELD));

/** What the client knows is what a session from cold finds, and its pages are those of one that was told the same. */
function expectSame(
  client: EngineClient,
  text: string,
  names: readonly string[],
  told: Session,
): void {
  const cold = typeset(text, filesNamed(names));
  const all = cold.findings();
  expect(said(client.findings, client.outline)).toEqual(
    said(
      all.filter(({ file }) => file === 'sheet.tex'),
      cold.outline(),
    ),
  );
  expect(said(client.findingsElsewhere, [])).toEqual(
    said(
      all.filter(({ file }) => file !== 'sheet.tex'),
      [],
    ),
  );
  expect([...client.labels]).toEqual(cold.labels());
  expect([...client.formulas]).toEqual([...cold.formulaSpans()]);
  expect(client.pages).toHaveLength(cold.pages.length);
  const { starts, pages } = cold.blockPlaces();
  expect([[...client.blockStarts], [...client.blockPages]]).toEqual([starts, pages]);
  // Which form was the last good one depends on which keys were overtaken by the next.
  const seen = [...client.sighted.values()].map(({ description }) => description);
  if (heldOn(told.pages.map((page) => told.describe(page))) || heldOn(seen)) return;
  for (const [index, { description, text: words }] of client.sighted) {
    const page = told.pages[index];
    if (!page) throw new Error(`page ${index} is not there`);
    const fresh = told.describe(page);
    const here = new Map([...client.blocks].map(([id, { start }]) => [id, start]));
    const there = new Map(told.blocksOf(fresh).map(({ id, start }) => [id, start]));
    expect(wholeOf(description, here)).toEqual(wholeOf(fresh, there));
    expect(words.length).toBe(description.lineBlock.length);
  }
}

const TEXT = inArticle(
  '\\section{Ebb}\\label{ebb} See \\ref{ebb} and $x^2$.\n\n\\input{part}\n\nMore \\emph{words}.\n\n\\newpage Second page, $y$ \\ref{other}.\n\n\\newpage Third.',
);

describe('client and worker', () => {
  it('agree with a session from cold, whatever is edited, looked at, and however long it takes', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.oneof(
            {
              weight: 4,
              arbitrary: fc.record({ what: fc.constant('edit' as const), edit: relativeEdit }),
            },
            {
              weight: 2,
              arbitrary: fc.record({
                what: fc.constant('view' as const),
                first: fc.nat(3),
                count: fc.nat(2),
              }),
            },
            {
              weight: 1,
              arbitrary: fc.record({
                what: fc.constant('files' as const),
                names: fc.subarray(Object.keys(FILES)),
              }),
            },
            {
              weight: 1,
              arbitrary: fc.record({ what: fc.constant('wait' as const), turns: fc.nat(6) }),
            },
          ),
          { minLength: 1, maxLength: 8 },
        ),
        fc.infiniteStream(fc.nat(3)),
        async (steps, delays) => {
          const worker = new SlowWorker(() => delays.next().value ?? 0);
          const names = Object.keys(FILES);
          const client = new EngineClient(
            opened(TEXT),
            addresses(names),
            () => worker as unknown as Worker,
          );
          client.view([{ first: 0, last: 3 }]);
          const told = toldTheSame(TEXT);
          let text = TEXT;
          let edits = 0;
          let given: readonly string[] = names;
          for (const step of steps) {
            if (step.what === 'edit') {
              const edit = editOf(text, step.edit);
              text = applyEdits(text, [edit]);
              edits++;
              client.edit([edit], () => '');
              told.edit(edit.from, edit.to, edit.text);
            } else if (step.what === 'view')
              client.view([{ first: step.first, last: step.first + step.count }]);
            else if (step.what === 'files') {
              client.setFiles(addresses((given = step.names)));
              told.setFiles(filesNamed(given));
            } else
              for (let i = 0; i < step.turns; i++)
                await new Promise((resolve) => setTimeout(resolve, 1));
          }
          await settled(client, edits);
          // What was last looked at, or given, may still be on its way.
          await client.pageOf('ebb');
          await settled(client, edits);
          for (let i = 0; i < 30; i++) await new Promise((resolve) => setTimeout(resolve, 1));
          expect(worker.failures).toEqual([]);
          told.settleAll();
          expectSame(client, text, given, told);
          client.close();
        },
      ),
      { numRuns: Number(process.env.LAW_RUNS ?? 12) },
    );
  });

  it('answer questions by their number, in whatever order', async () => {
    const worker = new SlowWorker(() => 1);
    const client = new EngineClient(opened(TEXT), addresses([]), () => worker as unknown as Worker);
    await settled(client, 0);
    const [found, none, page, glimpse] = await Promise.all([
      client.find('Second page'),
      client.find('nowhere at all'),
      client.pageOf('ebb'),
      client.glimpse('$a+b$', ''),
    ]);
    expect(found.map((place) => place.page)).toEqual([1]);
    expect([none, page]).toEqual([[], 0]);
    expect(glimpse?.svg).toContain('<svg');
    expect(await client.glimpse('$a+b$', '')).toBe(glimpse);
    client.close();
  });

  it('say that the worker could not go on, and say so no more when it does', async () => {
    const worker = new SlowWorker(() => 0);
    const client = new EngineClient(opened(TEXT), addresses([]), () => worker as unknown as Worker);
    await settled(client, 0);
    worker.onmessage?.({ data: { kind: 'failed', reason: 'no font' } } as MessageEvent<Response>);
    expect(client.failed).toBe(true);
    client.edit([{ from: TEXT.length, to: TEXT.length, text: '\n' }], () => '');
    await settled(client, 1);
    expect(client.failed).toBe(false);
    client.close();
  });

  it('know the part that is written in by its own places', async () => {
    const worker = new SlowWorker(() => 1);
    const part = { path: 'part.tex', text: 'Part $x$ \\nothing here.' };
    const client = new EngineClient(
      { path: 'sheet.tex', text: TEXT, part },
      addresses(['part.tex', 'other.tex']),
      () => worker as unknown as Worker,
    );
    await settled(client, 0);
    const [finding] = client.findings;
    expect([finding?.kind, finding?.file]).toEqual(['command-unknown', 'part.tex']);
    expect(part.text.slice(finding?.from, finding?.to)).toBe('\\nothing');
    client.edit([{ from: 0, to: 4, text: 'Section' }], () => '');
    await settled(client, 1);
    expect(client.findings[0]?.from).toBe((finding?.from ?? 0) + 3);
    client.close();
  });

  it('read a file that is none of the text as it is typed, and tell what is found in it there', async () => {
    const worker = new SlowWorker(() => 1);
    const text =
      '\\documentclass{article}\n\\usepackage{own}\n\\begin{document}\n\\mine.\n\\end{document}\n';
    const part = { path: 'own.sty', text: '' };
    const client = new EngineClient(
      { path: 'sheet.tex', text, part },
      addresses([]),
      () => worker as unknown as Worker,
    );
    await settled(client, 0);
    const kinds = () => [...client.findings, ...client.findingsElsewhere].map(({ kind }) => kind);
    expect(kinds()).toEqual(['package-unknown']);
    // Keys that come one upon another are read at once.
    let typed = '';
    for (const letter of '\\newcommand{\\mine}{Mine \\yours}') {
      typed += letter;
      const whole = typed;
      client.edit([{ from: typed.length - 1, to: typed.length - 1, text: letter }], () => whole);
    }
    await settled(client, typed.length);
    const unknown = [...client.findings, ...client.findingsElsewhere].filter(
      ({ kind }) => kind === 'command-unknown',
    );
    expect(unknown.map(({ message }) => message).join()).toContain('yours');
    expect(unknown).toHaveLength(1);
    client.close();
  });
});
