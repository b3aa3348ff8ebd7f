import { describe, expect, it } from 'vitest';
import type { Box } from '../boxes/box';
import { typeset } from '../testing/document';
import { knownFormulas, WEB_ONLY, type LoadTable } from '../testing/katexTables';

const SOURCE = '../../../../node_modules/katex/src/';
const load: LoadTable = async (name) =>
  (await import(/* @vite-ignore */ `${SOURCE}${name}.ts`)) as Record<string, unknown>;

const PACKAGES =
  'amsmath,amssymb,mathtools,bm,mathrsfs,cancel,amsthm,hyperref,graphicx,xcolor,ulem,dsfont,braket,' +
  'colonequals,stmaryrd,esint,extarrows,overarrows,actuarialangle,steinmetz,arydshln,amscd';

/** How many glyphs stand for a character that no font here has. */
const missing = (box: Box): number =>
  box.children.reduce((sum, { item }) => {
    if (item.kind === 'box') return sum + missing(item);
    return sum + (item.kind === 'glyph' && item.glyph === 0 ? 1 : 0);
  }, 0);

describe('what katex knows', () => {
  it('is typeset, every command and environment', async () => {
    const { formulas, left } = await knownFormulas(load);
    expect(formulas.length).toBeGreaterThan(900);
    expect(left.length).toBeLessThan(80);
    const starts: { at: number; name: string }[] = [];
    let text = `\\documentclass{article}\n\\usepackage{${PACKAGES}}\n\\begin{document}\n`;
    for (const { name, source } of formulas) {
      starts.push({ at: text.length, name });
      text += `{${source}}\n\n`;
    }
    const session = typeset(`${text}\\end{document}\n`);
    const nameAt = (at: number) => starts.findLast((s) => s.at <= at)?.name;
    const wrong = session
      .findings()
      .filter(({ kind }) => kind !== 'command-not-defined-here' && kind !== 'facts-unsettled')
      .map(({ kind, from, message }) => `${nameAt(from)}: ${kind} ${message}`);
    expect(wrong).toEqual([]);
    const drawn = session.pages.flatMap((page) => page.placed);
    expect(drawn.reduce((sum, { box }) => sum + missing(box), 0)).toBe(0);
  });
  it('concerns a web page alone only where that is said why', () => {
    for (const reason of Object.values(WEB_ONLY)) expect(reason.length).toBeGreaterThan(10);
  });
});
