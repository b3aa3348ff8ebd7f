import type { Expandable } from '../../expansion/meaning';
import type { Processor } from '../../expansion/processor';
import { macroOf } from '../machine/define';
import { BASE, MARKS } from './base';
import { does, meaningOf, nameOf, type ExplFunction } from './call';
import { KEYS } from './keys';
import { LISTS } from './lists';
import { NUMBERS } from './numbers';
import { TOKEN_LISTS } from './tokenLists';
import { TRUTH } from './truth';
import { ARGUMENTS, argumentsMeaning, bindVariant } from './variants';

/** Functions that only tell the one who runs the program something, by how much they read. */
const QUIET: readonly (readonly [string, readonly string[]])[] = [
  ...['error', 'warning', 'info', 'note', 'term', 'log', 'fatal', 'critical'].map(
    (name) => [`msg_${name}`, ['nn', 'nnn', 'nnnn', 'nnnnn', 'nnnnnn']] as const,
  ),
  ['msg_new', ['nnn', 'nnnn']],
  ['msg_set', ['nnn', 'nnnn']],
  ['iow_term', ['n']],
  ['iow_log', ['n']],
  ['iow_new', ['N']],
  ['iow_open', ['Nn']],
  ['iow_now', ['Nn']],
  ['iow_close', ['N']],
  ['debug_on', ['n']],
  ['tl_show', ['N', 'n']],
  ['seq_show', ['N']],
  ['int_show', ['N', 'n']],
];

const FUNCTIONS: readonly ExplFunction[] = [
  ...BASE,
  ...TOKEN_LISTS,
  ...LISTS,
  ...NUMBERS,
  ...TRUTH,
  ...KEYS,
  ...QUIET.flatMap(([name, specs]) => specs.map((spec) => does(name, spec, () => undefined))),
];

/** Other names for what the language has already. */
const OTHER_NAMES: Readonly<Record<string, string>> = {
  'group_begin:': 'begingroup',
  'group_end:': 'endgroup',
  'scan_stop:': 'relax',
  'prg_do_nothing:': 'empty',
  'exp_after:wN': 'expandafter',
  'cs:w': 'csname',
  'cs_end:': 'endcsname',
  'if_int_compare:w': 'ifnum',
  'if_dim:w': 'ifdim',
  'if_int_odd:w': 'ifodd',
  'if_case:w': 'ifcase',
  'if_meaning:w': 'ifx',
  'if_charcode:w': 'if',
  'if_catcode:w': 'ifcat',
  'if_true:': 'iftrue',
  'if_false:': 'iffalse',
  'if_mode_math:': 'ifmmode',
  'else:': 'else',
  'fi:': 'fi',
  'or:': 'or',
  'int_value:w': 'number',
  'token_to_meaning:N': 'meaning',
  'cs_meaning:N': 'meaning',
  'tex_def:D': 'def',
  'tex_edef:D': 'edef',
  'tex_let:D': 'let',
  'tex_the:D': 'the',
  'tex_hskip:D': 'hskip',
};

/** Macros of the layer that stand on what the language has (boxes, colours, hooks). */
const MACROS: Readonly<Record<string, string>> = {
  'hbox:n': '\\hbox{#1}',
  'vbox:n': '\\vbox{#1}',
  'hbox_to_wd:nn': '\\hbox to#1{#2}',
  'hbox_set:Nn': '\\setbox#1\\hbox{#2}',
  'hbox_gset:Nn': '\\global\\setbox#1\\hbox{#2}',
  'vbox_set:Nn': '\\setbox#1\\vbox{#2}',
  'box_new:N': '\\newbox#1',
  'box_use:N': '\\copy#1',
  'box_use_drop:N': '\\box#1',
  'box_wd:N': '\\wd#1',
  'box_ht:N': '\\ht#1',
  'box_dp:N': '\\dp#1',
  'color_select:n': '\\color{#1}',
  'color_set:nn': '\\colorlet{#1}{#2}',
  'color_set:nnn': '\\definecolor{#1}{#2}{#3}',
  'mode_leave_vertical:': '\\leavevmode',
  'par:': '\\par',
  'hook_gput_code:nnn': '\\AddToHook{#1}{#3}',
  c_max_int: '2147483647',
  c_space_tl: ' ',
  'exp_stop_f:': ' ',
  c_colon_str: ':',
  c_hash_str: '\\#',
  c_empty_tl: '',
  c_empty_seq: '',
  c_empty_clist: '',
  c_zero_int: '0',
  c_one_int: '1',
  c_zero_dim: '0pt',
  c_pi_fp: '3.141592653589793',
  c_novalue_tl: '',
  c_backslash_str: '\\textbackslash{}',
  c_tilde_str: '\\textasciitilde{}',
  c_underscore_str: '\\_',
  c_left_brace_str: '\\{',
  c_right_brace_str: '\\}',
};

/** Variables that every document has for a moment's use. */
const SCRATCH = ['l_tmpa', 'l_tmpb', 'g_tmpa', 'g_tmpb'];
const SCRATCH_KINDS = ['tl', 'str', 'seq', 'clist', 'prop', 'int', 'dim', 'skip', 'fp', 'bool'];

const nothing = (name: string): Expandable => ({
  kind: 'expandable',
  name,
  expand: () => undefined,
});

/** Meanings made once: they are the same for every document. */
const MEANINGS: readonly (readonly [string, Expandable])[] = [
  ...FUNCTIONS.map((entry) => [nameOf(entry), meaningOf(entry)] as const),
  [ARGUMENTS, argumentsMeaning],
  ...MARKS.filter((name) => name.includes('mapend')).map((name) => [name, nothing(name)] as const),
];

/** Binds the functions and variables of the programming layer. */
export function bindLayer(p: Processor, run: (source: string) => void): void {
  const { state } = p;
  for (const [name, meaning] of MEANINGS) state.set(state.cell(name), meaning, true);
  p.bindName = (name) => bindVariant(p, name);
  for (const [name, other] of Object.entries(OTHER_NAMES)) {
    const meaning = state.meaning(state.cell(other));
    if (meaning) state.set(state.cell(name), meaning, true);
  }
  for (const [name, body] of Object.entries(MACROS)) {
    const count = Math.max(0, ...[...body.matchAll(/#(\d)/g)].map((hit) => Number(hit[1])));
    state.set(state.cell(name), macroOf(state, body, count), true);
  }
  for (const name of [
    'q_nil',
    'q_no_value',
    'q_stop',
    'q_recursion_tail',
    'q_recursion_stop',
    'q_mark',
  ])
    state.set(
      state.cell(name),
      { ...macroOf(state, ''), body: [p.command(name)], protect: true },
      true,
    );
  for (const [name, code] of [
    ['c_true_bool', 1],
    ['c_false_bool', 0],
  ] as const)
    state.set(state.cell(name), { kind: 'chardef', code }, true);
  run(
    SCRATCH.flatMap((name) =>
      SCRATCH_KINDS.map(
        (kind) =>
          `\\csname ${kind}_new:N\\expandafter\\endcsname\\csname ${name}_${kind}\\endcsname`,
      ),
    ).join('') +
      SCRATCH.map((name) => `\\expandafter\\newbox\\csname ${name}_box\\endcsname`).join(''),
  );
}
