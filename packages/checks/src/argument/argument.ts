import {
  argumentsAt,
  blanked,
  callsOf,
  partnerOf,
  partsNamed,
  shapeOf,
  type Part,
  type Shape,
} from '@odd-compass/engine/shape';

/** A statement of the sheet: a theorem, a problem, or a numbered equation that is referred to. */
export interface ArgumentNode {
  /** Counts from 0 in the order of the text. */
  readonly id: number;
  /** What it is called: “Lemma”, “Problem”, “Equation”. */
  readonly kind: string;
  /** A claim wants a proof; a definition, a problem or an equation does not. */
  readonly isClaim: boolean;
  readonly labels: readonly string[];
  /** What stands in brackets behind its `\begin`. */
  readonly title: string;
  /** The source of its first line. */
  readonly first: string;
  readonly from: number;
  readonly to: number;
  readonly proof: { readonly from: number; readonly to: number } | null;
}

/** One statement, or its proof, refers to another. */
export interface ArgumentEdge {
  readonly from: number;
  readonly to: number;
  /** Where the reference stands in the text. */
  readonly at: number;
}

export interface Argument {
  readonly nodes: readonly ArgumentNode[];
  readonly edges: readonly ArgumentEdge[];
  /** Statements that rest on one another in a circle, each circle by its nodes. */
  readonly circles: readonly (readonly number[])[];
  /** Claims without a proof. */
  readonly unproved: readonly number[];
  /** Claims that nothing refers to, but for those that end the sheet's argument. */
  readonly unused: readonly number[];
  /** References to what stands only further down. */
  readonly forward: readonly ArgumentEdge[];
}

const CLAIMS =
  /^(theorem|lemma|proposition|corollary|claim|thm|lem|prop|cor|satz|hilfssatz|folgerung|conjecture)$/i;
const CLAIM_TITLES = /^(theorem|lemma|proposition|corollary|claim|fact|satz|hilfssatz|folgerung)/i;
const PROBLEMS = /^(problem|exercise|question|task|aufgabe)$/i;
const ANSWERS = /^(solution|answer|loesung|lösung)\*?$/i;
const REFERENCES = ['ref', 'eqref', 'cref', 'Cref', 'autoref', 'nameref', 'vref', 'fullref'];

/** The argument of a sheet by its source: what is claimed, what its proofs refer to, and what is missing in that. */
export function argumentOf(text: string): Argument {
  const shape = shapeOf(text);
  const clean = blanked(shape, 'comment');
  const nodes = withProofs(nodesOf(shape, clean), shape, clean);
  const edges = edgesOf(nodes, shape, clean);
  const referred = referredLabels(shape, clean);
  return {
    nodes,
    edges,
    circles: circlesOf(nodes, edges),
    unproved: nodes.filter(({ isClaim, proof }) => isClaim && !proof).map(({ id }) => id),
    unused: unusedOf(nodes, referred),
    forward: edges.filter(({ from, to }) => to > from),
  };
}

/** Names of environments that the sheet declares for statements, with their titles. */
function declaredIn(clean: string): ReadonlyMap<string, string> {
  const declared = new Map<string, string>();
  for (const [, name = '', title = ''] of clean.matchAll(
    /\\newtheorem\*?\s*\{([^{}]+)\}\s*(?:\[[^\]]*\])?\s*\{([^{}]+)\}/g,
  )) {
    declared.set(name, title);
  }
  for (const [, options = '', name = ''] of clean.matchAll(
    /\\declaretheorem\s*(\[[^\]]*\])?\s*\{([^{}]+)\}/g,
  )) {
    const title = /(?:^|[[,\s])(?:name|title)\s*=\s*\{?([^,{}\]]+)/.exec(options)?.[1];
    declared.set(name, title?.trim() ?? name.charAt(0).toUpperCase() + name.slice(1));
  }
  return declared;
}

function nodesOf(shape: Shape, clean: string): readonly ArgumentNode[] {
  const declared = declaredIn(clean);
  const found: Omit<ArgumentNode, 'id'>[] = [];
  for (const part of shape.parts) {
    if (part.kind !== 'begin') continue;
    const name = part.name.replace(/\*$/, '');
    const title = declared.get(part.name) ?? declared.get(name);
    const known = title !== undefined || CLAIMS.test(name) || PROBLEMS.test(name);
    if (!known) continue;
    const kind = title ?? name.charAt(0).toUpperCase() + name.slice(1);
    found.push(statement(part, shape, clean, kind, CLAIM_TITLES.test(kind) || CLAIMS.test(name)));
  }
  const own = found.map(({ from, to }) => ({ from, to }));
  found.push(...equationsOf(shape, clean, own));
  return found.sort((a, b) => a.from - b.from).map((node, id) => ({ ...node, id }));
}

function statement(
  part: Part,
  shape: Shape,
  clean: string,
  kind: string,
  isClaim: boolean,
): Omit<ArgumentNode, 'id'> {
  const end = partnerOf(shape, part);
  const option = argumentsAt(shape, part.to, 'o')[0];
  const body = option ? option.whole.to : part.to;
  const to = end?.to ?? Math.min(clean.length, part.to + 400);
  const inner = clean.slice(body, end?.from ?? to);
  return {
    kind,
    isClaim,
    labels: labelsIn(clean.slice(part.from, to)),
    title: option ? clean.slice(option.from, option.to) : '',
    first: firstLine(inner),
    from: part.from,
    to,
    proof: null,
  };
}

const labelsIn = (source: string): readonly string[] =>
  [...source.matchAll(/\\label\s*\{([^{}]+)\}/g)].map(([, name = '']) => name);

/** The first sentence or line, without its label; formulas stay whole. */
function firstLine(source: string): string {
  const text = source.replace(/\\label\s*\{[^{}]*\}/g, '').trim();
  const paragraph = text.split(/\n\s*\n|\\begin\{|\\\[/)[0] ?? '';
  const words = paragraph.replace(/\s+/g, ' ').trim();
  if (words.length <= 70) return words;
  const cut = words.slice(0, 70);
  const space = cut.lastIndexOf(' ');
  const short = cut.slice(0, space > 30 ? space : 70);
  // A formula that was cut is left out.
  const dollars = (short.match(/(?<!\\)\$/g) ?? []).length;
  return `${dollars % 2 ? short.slice(0, short.lastIndexOf('$')) : short.replace(/\\\([^)]*$/, '')} …`;
}

/** Equations with labels that stand outside the statements. */
function equationsOf(
  shape: Shape,
  clean: string,
  statements: readonly { readonly from: number; readonly to: number }[],
): readonly Omit<ArgumentNode, 'id'>[] {
  const proofs = partsNamed(shape, 'begin', 'proof').map((part) => ({
    from: part.from,
    to: partnerOf(shape, part)?.to ?? part.to,
  }));
  const taken = [...statements, ...proofs];
  return ['equation', 'align', 'gather', 'multline'].flatMap((name) =>
    partsNamed(shape, 'begin', name).flatMap((part): Omit<ArgumentNode, 'id'>[] => {
      const end = partnerOf(shape, part);
      const within = taken.some(({ from, to }) => part.from > from && part.from < to);
      const labels = end ? labelsIn(clean.slice(part.to, end.from)) : [];
      if (!end || within || labels.length === 0) return [];
      const body = clean
        .slice(part.to, end.from)
        .replace(/\\label\s*\{[^{}]*\}/g, '')
        .trim();
      const first = name === 'equation' ? body : (body.split('\\\\')[0] ?? '').replace(/&/g, '');
      return [
        {
          kind: 'Equation',
          isClaim: false,
          labels,
          title: '',
          first: `$${first.trim()}$`,
          from: part.from,
          to: end.to,
          proof: null,
        },
      ];
    }),
  );
}

/** A proof belongs to the statement its title names, else to the last claim or problem before it. */
function withProofs(
  nodes: readonly ArgumentNode[],
  shape: Shape,
  clean: string,
): readonly ArgumentNode[] {
  const proofs = new Map<number, { from: number; to: number }>();
  for (const part of shape.parts) {
    if (part.kind !== 'begin' || !(part.name === 'proof' || ANSWERS.test(part.name))) continue;
    const to = partnerOf(shape, part)?.to ?? clean.length;
    const option = argumentsAt(shape, part.to, 'o')[0];
    const named = option
      ? /\\\w*ref\s*\{([^{}]+)\}/.exec(clean.slice(option.from, option.to))?.[1]
      : undefined;
    const owner =
      nodes.find(({ labels }) => named !== undefined && labels.includes(named)) ??
      nodes.findLast(
        ({ from, kind }) =>
          from < part.from &&
          kind !== 'Equation' &&
          !/^(definition|remark|example|notation)/i.test(kind),
      );
    if (owner && !proofs.has(owner.id)) proofs.set(owner.id, { from: part.from, to });
  }
  return nodes.map((node) => ({ ...node, proof: proofs.get(node.id) ?? null }));
}

interface Reference {
  readonly label: string;
  readonly at: number;
}

function referencesIn(shape: Shape, clean: string): readonly Reference[] {
  return callsOf(shape, REFERENCES, 'm').flatMap(({ from, args }) => {
    const [argument] = args;
    if (!argument) return [];
    const names = clean.slice(argument.from, argument.to).split(',');
    return names.map((label) => ({ label: label.trim(), at: from }));
  });
}

const referredLabels = (shape: Shape, clean: string): ReadonlySet<string> =>
  new Set(referencesIn(shape, clean).map(({ label }) => label));

function edgesOf(
  nodes: readonly ArgumentNode[],
  shape: Shape,
  clean: string,
): readonly ArgumentEdge[] {
  const owners = new Map<string, number>();
  for (const { id, labels } of nodes) for (const label of labels) owners.set(label, id);
  // What is labelled within a proof belongs to what is proved.
  for (const { id, proof } of nodes) {
    if (!proof) continue;
    for (const label of labelsIn(clean.slice(proof.from, proof.to)))
      if (!owners.has(label)) owners.set(label, id);
  }
  const edges: ArgumentEdge[] = [];
  for (const { label, at } of referencesIn(shape, clean)) {
    const to = owners.get(label);
    const within = nodes.find(
      ({ from, to: end, proof }) =>
        (at >= from && at < end) || (proof !== null && at >= proof.from && at < proof.to),
    );
    if (to === undefined || !within || within.id === to) continue;
    // The title of a proof only names what it proves.
    const start = within.proof?.from ?? -1;
    const isTitle = at >= start && at < start + 60 && within.labels.includes(label);
    if (!isTitle && !edges.some((edge) => edge.from === within.id && edge.to === to)) {
      edges.push({ from: within.id, to, at });
    }
  }
  return edges;
}

/** Strongly connected parts with more than one statement (Tarjan 1972). */
function circlesOf(
  nodes: readonly ArgumentNode[],
  edges: readonly ArgumentEdge[],
): readonly (readonly number[])[] {
  const order = new Map<number, number>();
  const low = new Map<number, number>();
  const open: number[] = [];
  const found: number[][] = [];
  const visit = (id: number): void => {
    order.set(id, order.size);
    low.set(id, order.get(id) ?? 0);
    open.push(id);
    for (const { to } of edges.filter(({ from }) => from === id)) {
      if (!order.has(to)) visit(to);
      if (open.includes(to)) low.set(id, Math.min(low.get(id) ?? 0, low.get(to) ?? 0));
    }
    if (low.get(id) !== order.get(id)) return;
    const circle = open.splice(open.indexOf(id));
    if (circle.length > 1) found.push(circle.sort((a, b) => a - b));
  };
  for (const { id } of nodes) if (!order.has(id)) visit(id);
  return found;
}

/** The last claim of a sheet is what it is for; so is a claim called theorem or corollary. */
function unusedOf(
  nodes: readonly ArgumentNode[],
  referred: ReadonlySet<string>,
): readonly number[] {
  const claims = nodes.filter(({ isClaim }) => isClaim);
  const last = claims.at(-1)?.id;
  return claims
    .filter(
      ({ id, kind, labels }) =>
        id !== last &&
        !/^(theorem|corollary|satz)/i.test(kind) &&
        !labels.some((label) => referred.has(label)),
    )
    .map(({ id }) => id);
}
