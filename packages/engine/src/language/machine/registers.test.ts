import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { getCount, getDimen, getSkip } from '../../expansion/registers';
import { State } from '../../expansion/state';
import { declareParameters } from './parameters';

const ENGINE = new URL('../../', import.meta.url).pathname;
const sources = readdirSync(ENGINE, { recursive: true, encoding: 'utf8' })
  .filter((name) => name.endsWith('.ts') && !/testing|\.test\.ts$/.test(name))
  .map((name) => ({ name, text: readFileSync(ENGINE + name, 'utf8') }));

const parameters = sources.find(({ name }) => name.endsWith('machine/parameters.ts'))?.text ?? '';
const start = parameters.indexOf('export function declareParameters');
const declaring = parameters.slice(start, parameters.indexOf('\n}\n', start));
const declared = [...declaring.matchAll(/^ {4}'?([A-Za-z@]+)'?:/gm)].map(
  ([, name]) => name as string,
);
const elsewhere = sources.map(({ text }) => text.replace(declaring, '')).join('\n');

/** Registers that nothing of ours looks at, and why they are there all the same. */
const UNREAD: Readonly<Record<string, string>> = {
  'room for macros to count in':
    'dimen@ dimen@i dimen@ii @tempdimb @tempdimc @tempcnta @tempcntb count@',
  'constants that macros are written with':
    'maxdimen p@ z@ @secpenalty @medpenalty @highpenalty @itempenalty @beginparpenalty @endparpenalty time normallineskiplimit normalbaselineskip smallskipamount nulldelimiterspace',
  'only say what a run prints of itself':
    'hfuzz vfuzz overfullrule hbadness vbadness showboxdepth showboxbreadth tracingonline errorcontextlines newlinechar maxdeadcycles',
  'of a size that pages and lists get otherwise':
    'leftmarginii leftmarginiii leftmarginiv leftmarginv leftmarginvi vsize pdfpagewidth pdfpageheight parsepamount bibindent @pnumwidth@ mag',
  'said, and not followed: they seldom show in coursework':
    'footnotesep LTleft LTright dblfloatsep dbltextfloatsep xspaceskip floatingpenalty language escapechar',
};
const listed = Object.values(UNREAD).flatMap((names) => names.split(' '));

/** Does some source look at the register, by its name or in a macro of its own? */
const isRead = (name: string): boolean =>
  new RegExp(`(?:getDimen|getSkip|getCount|\\.dimen|\\.skip|\\.count)\\([^()'"]*'${name}'`).test(
    elsewhere,
  ) || new RegExp(`\\\\\\\\${name}(?![A-Za-z@])`).test(elsewhere);

describe('a register that is declared', () => {
  it('is found among the others', () => expect(declared.length).toBeGreaterThan(120));
  it('is read by someone, or listed with the reason why it is not', () => {
    expect(declared.filter((name) => !isRead(name) && !listed.includes(name))).toEqual([]);
  });
  it('is listed as unread only while nobody reads it', () => {
    expect(listed.filter((name) => !declared.includes(name) || isRead(name))).toEqual([]);
  });
  it('has a value that can be asked for', () => {
    const state = new State();
    declareParameters(state);
    for (const name of declared)
      expect([getDimen, getSkip, getCount].some((read) => read(state, name) !== undefined)).toBe(
        true,
      );
  });
});
