import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { keyValues } from '../scanning/optionLists';

/** How numbers, units and what is made of them are written: keys of the package, values as they were typed. */
export type Settings = Readonly<Record<string, string>>;

/** What holds where nothing is said (siunitx manual, section 4; its third version). */
export const DEFAULTS: Settings = {
  'angle-mode': 'input',
  'angle-separator': '',
  'bracket-ambiguous-numbers': 'true',
  'bracket-negative-numbers': 'false',
  'bracket-unit-denominator': 'true',
  'complex-root-position': 'after-number',
  'drop-exponent': 'false',
  'drop-uncertainty': 'false',
  'drop-zero-decimal': 'false',
  'exponent-base': '10',
  'exponent-mode': 'input',
  'exponent-product': '\\times',
  'exponent-thresholds': '-3:3',
  'fill-angle-degrees': 'false',
  'fill-angle-minutes': 'false',
  'fill-angle-seconds': 'false',
  'fixed-exponent': '0',
  'fraction-command': '\\frac',
  'group-digits': 'all',
  'group-minimum-digits': '5',
  'group-separator': '\\,',
  'digit-group-size': '3',
  'inter-unit-product': '\\,',
  'list-final-separator': ' and ',
  'list-pair-separator': ' and ',
  'list-separator': ', ',
  'list-units': 'repeat',
  'minimum-decimal-digits': '0',
  'minimum-integer-digits': '0',
  'negative-color': '',
  'number-angle-product': '',
  'number-color': '',
  color: '',
  'output-complex-root': '\\mathrm{i}',
  'output-decimal-marker': '.',
  'output-exponent-marker': '',
  'parse-numbers': 'true',
  'parse-units': 'true',
  'per-mode': 'power',
  'per-symbol': '/',
  'print-implicit-plus': 'false',
  'print-unity-mantissa': 'true',
  'print-zero-exponent': 'false',
  'print-zero-integer': 'true',
  'product-mode': 'symbol',
  'product-phrase': ' by ',
  'product-symbol': '\\times',
  'product-units': 'repeat',
  'qualifier-mode': 'subscript',
  'qualifier-phrase': ' ',
  'quantity-product': '\\,',
  'range-phrase': ' to ',
  'range-units': 'repeat',
  'retain-explicit-plus': 'false',
  'round-half': 'up',
  'round-mode': 'none',
  'round-minimum': '0',
  'round-pad': 'true',
  'round-precision': '2',
  'separate-uncertainty-units': 'bracket',
  'sticky-per': 'false',
  'tight-spacing': 'false',
  'uncertainty-mode': 'compact',
  'uncertainty-separator': '',
  'unit-color': '',
  'unit-font-command': '\\mathrm',
  'zero-decimal-as-symbol': 'false',
  'zero-symbol': '\\mbox{---}',
};

/** Keys of the second version, and what they are now. */
const OLDER: Readonly<Record<string, (value: string) => Settings>> = {
  'separate-uncertainty': (value) => ({
    'uncertainty-mode': value === 'false' ? 'compact' : 'separate',
  }),
  'scientific-notation': (value) => ({
    'exponent-mode': value === 'false' ? 'input' : /^(?:|true)$/.test(value) ? 'scientific' : value,
  }),
  'multi-part-units': (value) => ({
    'separate-uncertainty-units': value.replace('brackets', 'bracket'),
  }),
  'number-unit-product': (value) => ({ 'quantity-product': value }),
  'number-unit-separator': (value) => ({ 'quantity-product': value }),
  'omit-uncertainty': (value) => ({ 'drop-uncertainty': value || 'true' }),
  'zero-decimal-to-integer': (value) => ({ 'drop-zero-decimal': value || 'true' }),
  'retain-zero-exponent': (value) => ({ 'print-zero-exponent': value || 'true' }),
  'retain-unity-mantissa': (value) => ({ 'print-unity-mantissa': value || 'true' }),
  'add-integer-zero': (value) => ({ 'print-zero-integer': value || 'true' }),
  'explicit-sign': (value) => ({ 'print-implicit-plus': value === '+' ? 'true' : 'false' }),
  'round-integer-to-decimal': (value) => ({ 'round-pad': value || 'true' }),
  'group-four-digits': (value) => ({ 'group-minimum-digits': value === 'false' ? '5' : '4' }),
  'fraction-function': (value) => ({ 'fraction-command': value }),
  'arc-separator': (value) => ({ 'angle-separator': value }),
  'bracket-numbers': (value) => ({ 'bracket-ambiguous-numbers': value || 'true' }),
  'bracket-negative': (value) => ({ 'bracket-negative-numbers': value || 'true' }),
  'digit-group-first-size': () => ({}),
  'digit-group-other-size': () => ({}),
};

/** Keys that say how a thing is read or in which font it is set, as it is here anyway; and those of tables, which the columns read. */
const OTHERS =
  'mode number-mode unit-mode detect-all detect-none detect-family detect-weight detect-shape detect-mode detect-display-math detect-inline-family detect-inline-weight text-rm text-sf text-tt math-rm math-sf math-tt number-math-rm number-text-rm unit-math-rm unit-text-rm propagate-math-font reset-math-version reset-text-family reset-text-series reset-text-shape text-family-to-math text-series-to-math font-family text-font-command input-close-uncertainty input-open-uncertainty input-comparators input-decimal-markers input-digits input-exponent-markers input-ignore input-signs input-uncertainty-signs input-complex-roots input-protect-tokens input-symbols input-product input-quotient expand-expression copy-complex-root copy-decimal-marker parse-numbers parse-units forbid-literal-units free-standing-units overwrite-functions overwrite-command allow-number-unit-breaks allow-quantity-breaks use-xspace unit-optional-argument space-before-unit literal-superscript-as-power abbreviations binary-units load-configurations version-1-compatibility strict locale bracket-units power-font per-symbol-script-correction uncertainty-round-direction round-direction round-zero-positive complex-symbol-angle complex-symbol-degree inter-unit-separator table-format table-alignment table-alignment-mode table-number-alignment table-text-alignment table-unit-alignment table-align-comparator table-align-exponent table-align-uncertainty table-align-text-pre table-align-text-post table-align-text-before table-align-text-after table-space-text-pre table-space-text-post table-figures-integer table-figures-decimal table-figures-exponent table-figures-uncertainty table-sign-mantissa table-sign-exponent table-comparator table-parse-only table-model-setup exponent-mantissa-product retain-explicit-decimal-marker retain-negative-zero unit-command add-decimal-zero add-arc-degree-zero add-arc-minute-zero add-arc-second-zero minimum-degree-digits list-independent-prefix range-independent-prefix product-independent-prefix separate-uncertainty-units multi-part-units spacing-mode degree-symbol'.split(
    ' ',
  );

/** Keys that change what is printed elsewhere, and not yet here. */
export const IDLE_KEYS: ReadonlySet<string> = new Set(
  'prefix-mode prefix-power list-exponents range-exponents product-exponents exponent-to-prefix prefixes-as-symbols power-half-as-sqrt inline-per-mode display-per-mode evaluate-expression expression complex-mode complex-phase-command complex-angle-unit angle-symbol-degree angle-symbol-minute angle-symbol-second angle-symbol-over-decimal uncertainty-descriptors list-open-bracket list-close-bracket range-open-bracket range-close-bracket output-open-uncertainty output-close-uncertainty bracket-open bracket-close open-bracket close-bracket table-auto-round table-column-width table-fixed-width retain-zero-uncertainty math-celsius text-celsius math-degree text-degree math-ohm text-ohm math-micro text-micro math-angstrom text-angstrom'.split(
    ' ',
  ),
);

/** Every key that there is. */
export const KEYS: readonly string[] = [
  ...new Set([...Object.keys(DEFAULTS), ...Object.keys(OLDER), ...OTHERS, ...IDLE_KEYS]),
];

/** What a region is used to (manual, section 4.14). */
const LOCALES: Readonly<Record<string, Settings>> = {
  DE: {
    'output-decimal-marker': ',',
    'exponent-product': '\\cdot',
    'inter-unit-product': '\\,',
  },
  FR: { 'output-decimal-marker': ',', 'inter-unit-product': '\\,' },
  PL: { 'output-decimal-marker': ',', 'exponent-product': '\\cdot' },
  ZA: { 'output-decimal-marker': ',', 'exponent-product': '\\cdot' },
};

/** Settings by their keys of today; a value's own braces are taken off, its blanks within them stay. */
export function settingsIn(tokens: readonly Token[]): Settings {
  let out: Settings = {};
  for (const [key, value] of keyValues(tokens)) {
    const text = tokensText(value).replace(/^\{(.*)\}$/s, '$1');
    const older = OLDER[key];
    out = { ...out, ...(older ? older(text) : key === 'locale' ? LOCALES[text] : { [key]: text }) };
  }
  return out;
}

/** Is a key on? A key without a value is. */
export const isOn = (settings: Settings, key: string): boolean =>
  (settings[key] ?? 'false') !== 'false';

/** A sign between figures as a formula has it: a comma there is no punctuation. */
export const signSource = (sign: string): string => (sign === ',' ? '{,}' : sign);
