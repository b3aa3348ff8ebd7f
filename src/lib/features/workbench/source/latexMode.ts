import {
  HighlightStyle,
  StreamLanguage,
  syntaxHighlighting,
  type StreamParser,
} from '@codemirror/language';
import { tags } from '@lezer/highlight';

/** What ends the formula the reader is in; null in text. */
interface State {
  formula: '$' | '$$' | '\\)' | '\\]' | null;
  afterBegin: boolean;
}

const DISPLAYS = /^(equation|align|gather|multline|flalign|alignat|eqnarray|displaymath|math)\*?$/;

const parser: StreamParser<State> = {
  startState: () => ({ formula: null, afterBegin: false }),
  copyState: (state) => ({ ...state }),
  // A formula in the line never goes across a blank line.
  blankLine: (state) => {
    state.formula = null;
  },
  token(stream, state) {
    if (stream.match('%')) {
      stream.skipToEnd();
      return 'comment';
    }
    if (state.afterBegin) return environmentName(stream, state);
    if (stream.match('$$')) return toggle(state, '$$');
    if (stream.match('$')) return toggle(state, '$');
    if (stream.match(/^\\(begin|end)(?=\{)/)) {
      state.afterBegin = true;
      return 'keyword';
    }
    if (stream.match(/^\\[([]/)) {
      state.formula = stream.current() === '\\(' ? '\\)' : '\\]';
      return 'mark';
    }
    if (stream.match(/^\\[)\]]/)) {
      state.formula = null;
      return 'mark';
    }
    if (stream.match(/^\\([A-Za-z@]+\*?|.)/)) return state.formula ? 'mathCommand' : 'command';
    if (stream.match(/^[{}]/)) return 'brace';
    if (!stream.match(/^[^\\%${}]+/)) stream.next();
    return state.formula ? 'math' : null;
  },
  tokenTable: {
    command: tags.keyword,
    mathCommand: tags.special(tags.keyword),
    math: tags.string,
    mark: tags.processingInstruction,
    brace: tags.brace,
    environment: tags.typeName,
  },
};

function toggle(state: State, mark: '$' | '$$'): string {
  state.formula = state.formula === null ? mark : null;
  return 'mark';
}

function environmentName(
  stream: Parameters<NonNullable<typeof parser.token>>[0],
  state: State,
): string {
  if (stream.match(/^[{}]/)) {
    if (stream.current() === '}') state.afterBegin = false;
    return 'brace';
  }
  const before = stream.string.slice(0, stream.start);
  if (!stream.match(/^[^{}%\\]+/)) {
    state.afterBegin = false;
    stream.next();
    return 'brace';
  }
  if (DISPLAYS.test(stream.current())) state.formula = before.endsWith('\\begin{') ? '\\]' : null;
  return 'environment';
}

const style = HighlightStyle.define([
  { tag: tags.comment, class: 'src-comment' },
  { tag: tags.keyword, class: 'src-command' },
  { tag: tags.special(tags.keyword), class: 'src-math-command' },
  { tag: tags.string, class: 'src-math' },
  { tag: tags.processingInstruction, class: 'src-mark' },
  { tag: tags.brace, class: 'src-brace' },
  { tag: tags.typeName, class: 'src-environment' },
]);

/** LaTeX told apart by weight and tone: commands, formulas, comments, text. */
const language = StreamLanguage.define({
  ...parser,
  languageData: { closeBrackets: { brackets: ['(', '[', '{', '$'] }, commentTokens: { line: '%' } },
});
export const latexMode = [language, syntaxHighlighting(style)];
