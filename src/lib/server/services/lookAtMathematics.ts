import { argumentOf, type Argument, type ArgumentNode } from '@odd-compass/checks';
import { lineMap, positionAt } from '@odd-compass/engine';
import type { LookLine, LookPlace } from '../../domain/courseSite';
import { placeIn, splicedParts, type Spliced } from '../../domain/splicedParts';
import type { StepFact } from '../typeset/job';

/** What the last look tells of the mathematics: facts about steps, proofs and answers, none of them a verdict. */
export function lookAtMathematics(
  texts: Readonly<Record<string, string>>,
  path: string,
  steps: readonly StepFact[],
): LookLine[] {
  const own = texts[path] ?? '';
  const spliced = splicedParts(path, own, (name) => texts[name] ?? null);
  const sheet: Sheet = { ...spliced, texts, argument: argumentOf(spliced.text) };
  return [stepsLine(steps, path, own), proofsLine(sheet), answersLine(sheet)].filter(
    (line) => line !== null,
  );
}

/** A sheet with its parts in their places. */
interface Sheet extends Spliced {
  readonly texts: Readonly<Record<string, string>>;
  readonly argument: Argument;
}

/** A place of the whole in its file. */
function lookPlace({ stretches }: Sheet, at: number, says: string): LookPlace {
  const place = placeIn(stretches, at);
  return { says, path: place.file, from: place.at };
}

const count = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

function stepsLine(steps: readonly StepFact[], path: string, text: string): LookLine | null {
  if (steps.length === 0) return null;
  const of = (result: StepFact['result']): number =>
    steps.filter((step) => step.result === result).length;
  const [holds, differs, sometimes, unknown] = [
    of('holds'),
    of('differs'),
    of('sometimes'),
    of('unknown'),
  ];
  const parts = [
    holds ? count(holds, 'holds', 'hold') : '',
    differs ? count(differs, 'differs', 'differ') : '',
    sometimes ? count(sometimes, 'holds only sometimes', 'hold only sometimes') : '',
    unknown ? `${unknown} cannot be told` : '',
  ].filter((part) => part !== '');
  const doubtful = steps.filter(({ result }) => result === 'differs' || result === 'sometimes');
  return {
    topic: 'Steps',
    well: doubtful.length === 0 && holds > unknown ? true : null,
    says: `${count(steps.length, 'step was', 'steps were')} tested: ${parts.join(', ')}.`,
    places: doubtful.map(({ from, why }) => ({
      says: `Line ${lineOf(text, from)}: ${why}`,
      path,
      from,
    })),
  };
}

const lineOf = (text: string, at: number): number => positionAt(lineMap(text), at).line;

/** The line of a place of the whole, counted in its file. */
function lineInFile({ texts, stretches }: Sheet, at: number): number {
  const place = placeIn(stretches, at);
  return lineOf(texts[place.file] ?? '', place.at);
}

function proofsLine(sheet: Sheet): LookLine | null {
  const { nodes, unproved, unused, circles } = sheet.argument;
  if (!nodes.some(({ isClaim }) => isClaim)) return null;
  const place = (id: number, says: string): LookPlace[] => {
    const node = nodes[id];
    return node ? [lookPlace(sheet, node.from, `${node.kind}${shown(node)} ${says}`)] : [];
  };
  const places = [
    ...circles.flatMap(([first = 0]) => place(first, 'rests on itself')),
    ...unproved.flatMap((id) => place(id, 'has no proof')),
    ...unused.flatMap((id) => place(id, 'is not referred to')),
  ];
  const said = [
    circles.length ? count(circles.length, 'circle', 'circles') : '',
    unproved.length ? `${count(unproved.length, 'claim', 'claims')} without a proof` : '',
    unused.length ? `${count(unused.length, 'result', 'results')} never used` : '',
  ].filter((part) => part !== '');
  return {
    topic: 'Argument',
    well: places.length === 0 ? true : null,
    says:
      places.length === 0
        ? 'Every claim has a proof and is used.'
        : `There ${startsWithOne(said[0]) ? 'is' : 'are'} ${said.join(', ')}.`,
    places,
  };
}

const startsWithOne = (said = ''): boolean => said.startsWith('1 ');

const shown = ({ title, labels }: ArgumentNode): string =>
  title ? ` (${title})` : labels[0] ? ` “${labels[0]}”` : '';

/** What an answer may end with: a sentence, or a mark that it is done. */
const ENDS = /([.!?]|\\(qed|qedhere|blacksquare|square|Box)\b|∎|□)["'”)}\]$\s\\]*$/;

/** Does the source of an answer end with a sentence, or a mark of its end? */
export function endsWell(source: string): boolean {
  const bare = source
    .replace(/(?<!\\)%.*$/gm, '')
    .replace(/\\label\s*\{[^{}]*\}/g, '')
    .trimEnd();
  if (/\\end\{proof\}\s*$/.test(bare)) return true;
  const inner = bare.replace(
    /(\s*(\\end\{[^{}]*\}|\\\]|\$\$|\\\\|\\hfill|\\(?:med|big|small)skip))+\s*$/g,
    '',
  );
  return ENDS.test(inner);
}

function answersLine(sheet: Sheet): LookLine | null {
  const { text } = sheet;
  const answered = sheet.argument.nodes.filter(({ isClaim, proof }) => !isClaim && proof);
  if (answered.length === 0) return null;
  const open = answered.filter(({ proof }) => {
    const source = proof ? text.slice(proof.from, proof.to) : '';
    const body = source
      .replace(/^\\begin\{[^{}]*\}(\[[^\]]*\])?/, '')
      .replace(/\\end\{[^{}]*\}$/, '');
    return !endsWell(body);
  });
  return {
    topic: 'Answers',
    well: open.length === 0 ? true : null,
    says:
      open.length === 0
        ? 'Every answer ends with a sentence or a mark.'
        : `${count(open.length, 'answer does', 'answers do')} not end with a sentence or a mark.`,
    places: open.map(({ kind, proof, from }) => {
      const line = `line ${lineInFile(sheet, from)}`;
      const says = `The answer to the ${kind.toLowerCase()} in ${line}`;
      return lookPlace(sheet, proof?.to ?? from, says);
    }),
  };
}
