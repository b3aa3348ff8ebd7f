import { describe, expect, it } from 'vitest';
import type { EnvironmentEntry } from '../language/machine/entries';
import { kernel } from '../language/kernel/kernel';
import { PACKAGES } from '../language/packages';
import { findingsIn, inArticle } from '../testing/document';
import {
  environmentKind,
  environmentsOf,
  hasRows,
  isFormula,
  type EnvironmentKind,
} from './environmentKinds';

const KINDS: readonly EnvironmentKind[] = [
  'code',
  'display',
  'rows',
  'matrix',
  'table',
  'list',
  'float',
  'picture',
];
const entries = new Map<string, EnvironmentEntry>(
  [kernel, ...Object.values(PACKAGES)].flatMap((module) =>
    (module?.environments ?? []).map((entry): [string, EnvironmentEntry] => [entry.name, entry]),
  ),
);
const packageOf = (name: string): string =>
  Object.values(PACKAGES).find((one) => one?.environments?.some((entry) => entry.name === name))
    ?.name ?? 'amsmath';

describe('the kinds of environments', () => {
  it('name each environment once', () => {
    const names = KINDS.flatMap((kind) => environmentsOf(kind));
    expect(names.filter((name, i) => names.indexOf(name) !== i)).toEqual([]);
    for (const kind of KINDS)
      for (const name of environmentsOf(kind)) expect(environmentKind(name)).toBe(kind);
  });
  it('know every environment of the language that is part of a formula', () => {
    const within = [...entries.values()].filter((entry) => entry.math && !entry.begin);
    const unknown = within.filter(({ name }) => !isFormula(name)).map(({ name }) => name);
    // Diagrams are pictures by their kind: their marks are their own.
    expect(unknown.filter((name) => environmentKind(name) !== 'picture')).toEqual([]);
    expect(within.length).toBeGreaterThan(25);
  });
  it.each(
    [...environmentsOf('rows'), ...environmentsOf('matrix')]
      .filter((name) => entries.has(name) && hasRows(name))
      .map((name) => [name, packageOf(name)] as const),
  )('that have rows take cells and lines: %s', (name, pkg) => {
    const columns = /array$/i.test(name) ? '{cc}' : /^alignedat/.test(name) ? '{1}' : '';
    const cells = /gathered|multlined|substack|subarray/.test(name)
      ? 'a \\\\ b'
      : 'a & b \\\\ c & d';
    const found = findingsIn(
      inArticle(
        `\\[\\begin{${name}}${columns} ${cells} \\end{${name}}\\]`,
        `\\usepackage{amsmath,${pkg}}`,
      ),
    );
    expect(found.map(({ kind }) => kind)).toEqual([]);
  });
  it.each(environmentsOf('display').filter((name) => entries.has(name) && name !== 'math'))(
    'that are displays hold a formula: %s',
    (name) => {
      const columns = /alignat/.test(name) ? '{2}' : '';
      const found = findingsIn(
        inArticle(
          `\\begin{${name}}${columns} a^2 = b \\end{${name}}`,
          `\\usepackage{amsmath,${packageOf(name)}}`,
        ),
      );
      expect(found.map(({ kind }) => kind)).toEqual([]);
    },
  );
  it.each(['theorem', 'proof', 'center', 'abstract', 'tide'])('leave text alone: %s', (name) => {
    expect([environmentKind(name), hasRows(name), isFormula(name)]).toEqual([
      undefined,
      false,
      false,
    ]);
  });
});
