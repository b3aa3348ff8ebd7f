import { describe, expect, it } from 'vitest';
import {
  bodyLines,
  findingsIn,
  inArticle,
  linesOf,
  textFiles,
  typeset,
} from '../../testing/document';

const DECLARED =
  '\\tl_new:N \\l_a_tl \\tl_new:N \\l_b_tl \\int_new:N \\l_n_int \\seq_new:N \\l_s_seq \\clist_new:N \\l_c_clist \\prop_new:N \\l_p_prop \\bool_new:N \\l_t_bool \\fp_new:N \\l_x_fp \\dim_new:N \\l_d_dim \\str_new:N \\l_s_str ';

/** What code of the layer prints. */
function printed(code: string): string {
  const body = `\\ExplSyntaxOn ${DECLARED}${code}\\ExplSyntaxOff`;
  const found = findingsIn(inArticle(body, ''));
  if (found.length > 0) return `found ${found.map(({ kind, at }) => `${kind} ${at}`).join('; ')}`;
  return bodyLines(body, '').join(' ').replaceAll('\u00a0', ' ').trim();
}

/** The interfaces of the programming layer, part by part. */
const TABLE: Readonly<Record<string, readonly (readonly [code: string, prints: string])[]>> = {
  'token lists': [
    ['\\tl_set:Nn \\l_a_tl { ebb } \\l_a_tl', 'ebb'],
    [
      '\\tl_set:Nn \\l_a_tl { b } \\tl_put_left:Nn \\l_a_tl { a } \\tl_put_right:Nn \\l_a_tl { c } \\tl_use:N \\l_a_tl',
      'abc',
    ],
    [
      '\\tl_set:Nn \\l_b_tl { x } \\tl_set:Nx \\l_a_tl { \\l_b_tl \\l_b_tl } \\tl_set:Nn \\l_b_tl { y } \\l_a_tl',
      'xx',
    ],
    ['\\tl_set:Nn \\l_b_tl { x } \\tl_set:NV \\l_a_tl \\l_b_tl \\l_a_tl', 'x'],
    ['\\group_begin: \\tl_set:Nn \\l_a_tl { in } \\group_end: [\\l_a_tl]', '[]'],
    ['\\group_begin: \\tl_gset:Nn \\l_a_tl { in } \\group_end: [\\l_a_tl]', '[in]'],
    ['\\tl_if_empty:nTF { } { yes } { no }', 'yes'],
    ['\\tl_if_empty:NF \\l_a_tl { no }', ''],
    ['\\tl_if_blank:nTF { ~ } { yes } { no }', 'yes'],
    ['\\tl_if_eq:nnTF { a } { a } { yes } { no }', 'yes'],
    ['\\tl_if_in:nnT { ebbtide } { tide } { yes }', 'yes'],
    ['\\tl_count:n { a {bc} d }', '3'],
    ['\\tl_head:n { abc } \\tl_tail:n { abc }', 'abc'],
    ['\\tl_item:nn { abc } { 2 } \\tl_item:nn { abc } { -1 }', 'bc'],
    ['\\tl_reverse:n { abc }', 'cba'],
    ['\\tl_set:Nn \\l_a_tl { a-b-c } \\tl_replace_all:Nnn \\l_a_tl { - } { + } \\l_a_tl', 'a+b+c'],
    ['\\tl_set:Nn \\l_a_tl { a-b-c } \\tl_remove_once:Nn \\l_a_tl { - } \\l_a_tl', 'ab-c'],
    ['\\tl_map_inline:nn { abc } { (#1) }', '(a)(b)(c)'],
    ['\\tl_map_inline:nn { abcd } { \\str_if_eq:nnT { #1 } { c } { \\tl_map_break: } #1 }', 'ab'],
    ['[\\tl_trim_spaces:n { ~ a ~ b ~ }]', '[a b]'],
    ['\\tl_to_str:n { a\\b }', 'a\\b'],
  ],
  strings: [
    ['\\str_set:Nn \\l_s_str { Ebb } \\str_count:N \\l_s_str', '3'],
    [
      '\\str_uppercase:n { ebb } \\text_lowercase:n { EBB } \\text_titlecase_first:n { ebb }',
      'EBBebbEbb',
    ],
    ['\\str_case:nnF { b } { {a}{one} {b}{two} } { none }', 'two'],
    ['\\str_case:nnTF { c } { {a}{one} } { found } { none }', 'none'],
    ['\\str_case:nnTF { a } { {a}{one} } { -found } { none }', 'one-found'],
    ['\\str_range:nnn { abcdef } { 2 } { 4 }', 'bcd'],
    ['\\str_if_in:nnTF { abc } { bc } { yes } { no }', 'yes'],
  ],
  patterns: [
    ['\\regex_match:nnTF { ^\\d+$ } { 123 } { yes } { no }', 'yes'],
    [
      '\\tl_set:Nn \\l_a_tl { a1b22 } \\regex_replace_all:nnN { \\d+ } { <\\0> } \\l_a_tl \\l_a_tl',
      'a¡1¿b¡22¿',
    ],
    ['\\regex_split:nnN { , } { a,b,c } \\l_s_seq \\seq_count:N \\l_s_seq', '3'],
    ['\\regex_extract_all:nnN { \\d } { a1b2 } \\l_s_seq \\seq_use:Nn \\l_s_seq { + }', '1+2'],
  ],
  'whole numbers': [
    ['\\int_eval:n { 2 * (3 + 4) - 1 }', '13'],
    [
      '\\int_set:Nn \\l_n_int { 5 } \\int_incr:N \\l_n_int \\int_add:Nn \\l_n_int { 2 } \\int_use:N \\l_n_int',
      '8',
    ],
    [
      '\\int_mod:nn { 7 } { 3 } \\int_div_truncate:nn { 7 } { 2 } \\int_div_round:nn { 7 } { 2 }',
      '134',
    ],
    ['\\int_max:nn { 3 } { 5 } \\int_min:nn { 3 } { 5 } \\int_abs:n { -4 }', '534'],
    ['\\int_compare:nNnTF { 2 } < { 3 } { yes } { no }', 'yes'],
    ['\\int_compare:nTF { 1 < 2 <= 2 != 3 } { yes } { no }', 'yes'],
    ['\\int_compare:nTF { 1 + 1 == 3 } { yes } { no }', 'no'],
    ['\\int_if_odd:nTF { 3 } { odd } { even }', 'odd'],
    ['\\int_case:nnF { 2 } { {1}{one} {1+1}{two} } { many }', 'two'],
    ['\\int_step_inline:nn { 4 } { #1; }', '1;2;3;4;'],
    ['\\int_step_inline:nnnn { 10 } { -3 } { 1 } { #1; }', '10;7;4;1;'],
    ['\\int_step_inline:nn { 2 } { \\int_step_inline:nn { #1 } { (#1,##1) } }', '(1,1)(2,1)(2,2)'],
    [
      '\\int_zero:N \\l_n_int \\int_while_do:nNnn { \\l_n_int } < { 3 } { x \\int_incr:N \\l_n_int }',
      'xxx',
    ],
    [
      '\\int_zero:N \\l_n_int \\int_do_until:nn { \\l_n_int >= 2 } { y \\int_incr:N \\l_n_int }',
      'yy',
    ],
    [
      '\\int_to_roman:n { 14 } \\int_to_Alph:n { 3 } \\int_to_bin:n { 5 } \\int_to_hex:n { 255 }',
      'xivC101ff',
    ],
    ['\\prg_replicate:nn { 3 } { ab }', 'ababab'],
    ['\\int_set:Nn \\l_n_int { 3 } \\int_eval:n { \\l_n_int * 2 }', '6'],
  ],
  'lengths and decimal numbers': [
    ['\\dim_set:Nn \\l_d_dim { 1pt + 2pt } \\dim_use:N \\l_d_dim', '3.0pt'],
    ['\\dim_compare:nNnTF { 1cm } > { 1pt } { yes } { no }', 'yes'],
    ['\\fp_eval:n { 2^3 + sqrt(4) }', '10'],
    ['\\fp_set:Nn \\l_x_fp { 1/4 } \\fp_use:N \\l_x_fp', '0.25'],
    ['\\fp_set:Nn \\l_x_fp { 1.5 } \\fp_add:Nn \\l_x_fp { 1 } \\fp_to_decimal:N \\l_x_fp', '2.5'],
    ['\\fp_compare:nNnTF { 0.1 } < { 0.2 } { yes } { no }', 'yes'],
    ['\\fp_compare:nTF { 0.5 = 1/2 } { yes } { no }', 'yes'],
    ['\\fp_to_int:n { 2.6 }', '3'],
  ],
  sequences: [
    ['\\seq_set_split:Nnn \\l_s_seq { ; } { a ; {b} ;c } \\seq_use:Nn \\l_s_seq { + }', 'a+b+c'],
    [
      '\\seq_put_right:Nn \\l_s_seq { a } \\seq_put_left:Nn \\l_s_seq { b } \\seq_use:Nn \\l_s_seq { , }',
      'b,a',
    ],
    [
      '\\seq_set_from_clist:Nn \\l_s_seq { a, b, c } \\seq_use:Nnnn \\l_s_seq { ~and~ } { ,~ } { ,~and~ }',
      'a, b, and c',
    ],
    [
      '\\seq_set_from_clist:Nn \\l_s_seq { a, b } \\seq_use:Nnnn \\l_s_seq { ~and~ } { ,~ } { ,~and~ }',
      'a and b',
    ],
    [
      '\\seq_set_from_clist:Nn \\l_s_seq { a, b, c } \\seq_item:Nn \\l_s_seq { 2 } \\seq_count:N \\l_s_seq',
      'b3',
    ],
    ['\\seq_set_from_clist:Nn \\l_s_seq { a, b } \\seq_map_inline:Nn \\l_s_seq { [#1] }', '[a][b]'],
    [
      '\\seq_set_from_clist:Nn \\l_s_seq { a, b } \\seq_map_indexed_inline:Nn \\l_s_seq { #1#2; }',
      '1a;2b;',
    ],
    [
      '\\seq_set_from_clist:Nn \\l_s_seq { a, b } \\seq_pop_left:NN \\l_s_seq \\l_a_tl \\l_a_tl ; \\seq_use:Nn \\l_s_seq { }',
      'a;b',
    ],
    ['\\seq_pop:NNTF \\l_s_seq \\l_a_tl { some } { none }', 'none'],
    [
      '\\seq_set_from_clist:Nn \\l_s_seq { a, b, a } \\seq_remove_duplicates:N \\l_s_seq \\seq_count:N \\l_s_seq',
      '2',
    ],
    [
      '\\seq_set_from_clist:Nn \\l_s_seq { a, b } \\seq_if_in:NnTF \\l_s_seq { b } { yes } { no }',
      'yes',
    ],
    [
      '\\seq_set_from_clist:Nn \\l_s_seq { 3, 1, 2 } \\seq_sort:Nn \\l_s_seq { \\int_compare:nNnTF { #1 } > { #2 } { \\sort_return_swapped: } { \\sort_return_same: } } \\seq_use:Nn \\l_s_seq { , }',
      '1,2,3',
    ],
    ['\\seq_if_empty:NTF \\l_s_seq { empty } { full }', 'empty'],
  ],
  'lists with commas': [
    ['\\clist_map_inline:nn { a, b ,c } { (#1) }', '(a)(b)(c)'],
    [
      '\\clist_set:Nn \\l_c_clist { a, b } \\clist_put_right:Nn \\l_c_clist { c } \\clist_use:Nn \\l_c_clist { - }',
      'a-b-c',
    ],
    ['\\clist_count:n { a, b, {c,d} }', '3'],
    ['\\clist_item:nn { a, b, c } { 2 }', 'b'],
    ['\\clist_set:Nn \\l_c_clist { x } \\clist_if_in:NnTF \\l_c_clist { x } { yes } { no }', 'yes'],
    ['\\cs_new:Npn \\my_box:n #1 { <#1> } \\clist_map_function:nN { a, b } \\my_box:n', '¡a¿¡b¿'],
  ],
  properties: [
    ['\\prop_put:Nnn \\l_p_prop { ebb } { low } \\prop_item:Nn \\l_p_prop { ebb }', 'low'],
    [
      '\\prop_put:Nnn \\l_p_prop { a } { 1 } \\prop_put:Nnn \\l_p_prop { a } { 2 } \\prop_count:N \\l_p_prop \\prop_item:Nn \\l_p_prop { a }',
      '12',
    ],
    [
      '\\prop_set_from_keyval:Nn \\l_p_prop { a = 1, b = 2 } \\prop_map_inline:Nn \\l_p_prop { #1=#2; }',
      'a=1;b=2;',
    ],
    ['\\prop_if_in:NnTF \\l_p_prop { a } { yes } { no }', 'no'],
    [
      '\\prop_put:Nnn \\l_p_prop { a } { 1 } \\prop_get:NnNTF \\l_p_prop { a } \\l_a_tl { got~\\l_a_tl } { none }',
      'got 1',
    ],
  ],
  truth: [
    ['\\bool_set_true:N \\l_t_bool \\bool_if:NTF \\l_t_bool { yes } { no }', 'yes'],
    ['\\bool_if:nTF { \\c_true_bool && ! \\c_false_bool } { yes } { no }', 'yes'],
    [
      '\\bool_if:nTF { ( \\c_false_bool || \\int_compare_p:n { 1 < 2 } ) && \\tl_if_empty_p:n { } } { yes } { no }',
      'yes',
    ],
    ['\\bool_lazy_and:nnTF { \\c_true_bool } { \\c_false_bool } { yes } { no }', 'no'],
    ['\\bool_set:Nn \\l_t_bool { \\int_if_odd_p:n { 3 } } \\bool_if:NT \\l_t_bool { yes }', 'yes'],
  ],
  'definitions and tests': [
    ['\\cs_new:Npn \\my_pair:nn #1#2 { (#1,#2) } \\my_pair:nn { a } { b }', '(a,b)'],
    ['\\cs_new:Nn \\my_pair:nn { (#1,#2) } \\my_pair:nn { a } { b }', '(a,b)'],
    ['\\cs_new:Npn \\my_till:w #1 ; #2 \\q_stop { [#2] } \\my_till:w a;b \\q_stop', '[b]'],
    ['\\cs_new_protected:Npx \\my_now: { \\int_eval:n { 1 + 1 } } \\my_now:', '2'],
    ['\\cs_new:cpn { my_named: } { named } \\use:c { my_named: }', 'named'],
    [
      '\\cs_if_exist:NTF \\section { yes } { no } \\cs_if_exist:cTF { gone } { yes } { no }',
      'yesno',
    ],
    ['\\cs_set_eq:NN \\my_a: \\use:n \\my_a: { x }', 'x'],
    [
      '\\cs_new:Npn \\my_f:n #1 { <#1> } \\cs_generate_variant:Nn \\my_f:n { V } \\tl_set:Nn \\l_a_tl { v } \\my_f:V \\l_a_tl',
      '¡v¿',
    ],
    [
      '\\prg_new_conditional:Npnn \\my_big:n #1 { p, T, F, TF } { \\int_compare:nNnTF { #1 } > { 9 } { \\prg_return_true: } { \\prg_return_false: } } \\my_big:nTF { 10 } { big } { small } \\my_big:nF { 1 } { s } \\bool_if:nT { \\my_big_p:n { 11 } } { p }',
      'bigsp',
    ],
    [
      '\\prg_new_conditional:Npnn \\my_odd:n #1 { TF } { \\if_int_odd:w #1 \\exp_stop_f: \\prg_return_true: \\else: \\prg_return_false: \\fi: } \\my_odd:nTF { 3 } { a } { b } \\my_odd:nTF { 4 } { a } { b }',
      'ab',
    ],
    ['\\use_i:nn { a } { b } \\use_ii:nn { a } { b } \\use_none:n { c }', 'ab'],
    [
      '\\NewDocumentCommand \\my { o } { \\tl_if_novalue:nTF { #1 } { none } { #1 } } \\my \\my[novalue]',
      'nonenovalue',
    ],
    ['\\int_compare:nNnTF { \\c_max_int } > { 1000000000 } { large } { small }', 'large'],
    ['\\peek_charcode_remove:NTF [ { open } { none } [ x', 'openx'],
  ],
  keys: [
    [
      '\\keys_define:nn { my } { how .choices:nn = { low, high } { [\\l_keys_choice_tl#1] } } \\keys_set:nn { my } { how = high }',
      '[highhigh]',
    ],
    ['\\keys_define:nn { my } { a .code:n = { {x}#1 } } \\keys_set:nn { my } { a = {b} }', 'xb'],
    [
      '\\keys_define:nn { my } { colour .tl_set:N = \\l_a_tl, colour .initial:n = red, size .int_set:N = \\l_n_int } \\keys_set:nn { my } { size = 2 + 3 } \\l_a_tl \\int_use:N \\l_n_int',
      'red5',
    ],
    [
      '\\keys_define:nn { my } { show .bool_set:N = \\l_t_bool } \\keys_set:nn { my } { show } \\bool_if:NTF \\l_t_bool { yes } { no } \\keys_set:nn { my } { show = false } \\bool_if:NTF \\l_t_bool { yes } { no }',
      'yesno',
    ],
    [
      '\\keys_define:nn { my } { say .code:n = { [#1] }, say .default:n = { hi } } \\keys_set:nn { my } { say = ebb, say }',
      '[ebb][hi]',
    ],
    [
      '\\keys_define:nn { my } { how .choice:, how/low .code:n = { L }, how/high .code:n = { H } } \\keys_set:nn { my } { how = high }',
      'H',
    ],
    [
      '\\keys_define:nn { my } { a .code:n = { A#1 }, both .meta:n = { a = #1, a = x } } \\keys_set:nn { my } { both = 2 }',
      'A2Ax',
    ],
  ],
};

describe.each(Object.entries(TABLE))('the programming layer: %s', (_part, rows) => {
  it.each(rows)('%s', (code, prints) => expect(printed(code)).toBe(prints));
});

describe('the programming layer', () => {
  it('is there without a package, and ends where it is said to', () => {
    const body = '\\ExplSyntaxOn \\int_eval:n { 1 + 1 }\n\n \\ExplSyntaxOff a~b $x_1$';
    expect(bodyLines(body, '').join('')).toMatch(/^2\s*a.b 𝑥1$|^2a\u00a0b 𝑥1$/);
    expect(findingsIn(inArticle(body, ''))).toEqual([]);
  });
  it('ends with the file that it began in', () => {
    const files = textFiles({
      'ferry.sty':
        '\\ProvidesExplPackage{ferry}{2026-01-01}{1}{Ferries}\n\\cs_new:Npn \\ferry_twice:n #1 { #1 #1 }\n\\NewDocumentCommand \\twice { m } { \\ferry_twice:n { #1 } }\n',
    });
    const session = typeset(
      inArticle('\\twice{ebb} a_', '\\usepackage{ferry}\\usepackage{underscore}'),
      files,
    );
    expect(linesOf(session).join(' ')).toContain('ebbebb a_');
    expect(session.findings()).toEqual([]);
  });
  it('what is hung on a hook is carried out there', () => {
    const said =
      '\\ExplSyntaxOn \\hook_gput_code:nnn { begindocument } { . } { \\tl_set:Nn \\l_tmpa_tl { ebb } } \\ExplSyntaxOff';
    const lines = bodyLines('\\csname l_tmpa_tl\\endcsname.', said);
    expect(lines).toEqual(['ebb.']);
  });
  it('a key that nobody defined is told where it stands', () => {
    const found = findingsIn(
      inArticle(
        '\\ExplSyntaxOn \\keys_define:nn{my}{ a .code:n = { } } \\keys_set:nn{my}{ b = 1 } \\ExplSyntaxOff',
        '',
      ),
    );
    expect(found.map(({ kind, at }) => [kind, at])).toEqual([['option-unknown', 'b']]);
  });
  it('a function that nobody has is told as any command', () => {
    const found = findingsIn(inArticle('\\ExplSyntaxOn \\tl_gone:n { a } \\ExplSyntaxOff', ''));
    expect(found.map(({ kind }) => kind)).toEqual(['command-unknown']);
  });
  it('a loop without end is stopped and named', () => {
    const body = '\\ExplSyntaxOn \\bool_while_do:nn { \\c_true_bool } { x } \\ExplSyntaxOff';
    expect(findingsIn(inArticle(body, '')).map(({ kind }) => kind)).toContain('macro-runaway');
  });
  it('is the same after edits as from cold', () => {
    const text = inArticle(
      '\\ExplSyntaxOn \\tl_set:Nn \\l_tmpa_tl { ebb } \\ExplSyntaxOff\n\nA \\csname l_tmpa_tl\\endcsname.',
      '',
    );
    const session = typeset(text);
    session.edit(text.indexOf('ebb'), text.indexOf('ebb') + 3, 'flood');
    session.settleAll();
    expect(linesOf(session).join(' ')).toContain('A flood.');
    expect(linesOf(session)).toEqual(linesOf(typeset(session.text)));
  });
});
