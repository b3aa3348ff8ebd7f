import { definitions } from '../expansion/definitions';
import { expandables } from '../expansion/expandables';
import { FONT_UNITS_CELL, type FontUnits } from '../expansion/scan';
import { standardCategories } from '../tokens/categories';
import { boxCommands, minipage, tableCommands, tabular } from './constructs/boxes';
import { characters } from './constructs/characters';
import { counterCommands, counterExpandables } from './constructs/counters';
import { beginMissingDocument, documentCommands, documentEnvironment } from './constructs/document';
import { displays } from './constructs/displays';
import { fonts } from './constructs/fonts';
import { listCommands, listEnvironments, listMacros } from './constructs/lists';
import { arrayEnvironment } from './constructs/mathArrays';
import { mathStructures } from './constructs/mathStructures';
import { mathSymbols } from './constructs/mathSymbols';
import { references } from './constructs/references';
import { spacing } from './constructs/spacing';
import { newTheoremCommand } from './constructs/theorems';
import type { Module } from './entries';
import { install } from './install';
import type { Interpreter } from './interpreter';
import { CELLS, declareParameters, NORMAL_FONT } from './parameters';

/** Everything a document can use before any class or package is loaded. */
export const kernel: Module = {
  commands: [
    ...characters,
    ...fonts,
    ...spacing,
    ...listCommands,
    ...references,
    ...counterCommands,
    ...boxCommands,
    ...tableCommands,
    ...documentCommands,
    ...mathSymbols,
    ...mathStructures,
    newTheoremCommand,
  ],
  environments: [
    documentEnvironment,
    ...listEnvironments,
    tabular,
    minipage,
    arrayEnvironment,
    ...displays,
  ],
  macros: {
    ...listMacros,
    '@empty': '',
    '@gobble': '',
    space: ' ',
    '@firstofone': '#1',
    '@firstoftwo': '#1',
    '@secondoftwo': '#2',
  },
};

/** Puts the kernel into a fresh state. */
export function installKernel(it: Interpreter, units: () => FontUnits): void {
  const { state } = it;
  declareParameters(state);
  state.set(state.cell('\u0001catcodes'), standardCategories());
  state.set(state.cell(CELLS.font), it.intern(NORMAL_FONT));
  state.set(state.cell(FONT_UNITS_CELL), units);
  for (const meaning of [...expandables, ...counterExpandables, ...definitions]) {
    state.set(state.cell(meaning.name), meaning);
  }
  install(it, kernel, []);
  for (const [name, other] of [
    ['bgroup', '{'],
    ['egroup', '}'],
  ] as const) {
    state.set(state.cell(name), { kind: 'char', cat: other === '{' ? 1 : 2, text: other });
  }
}

/** Hooks that need the document construct; set on each interpreter. */
export function connect(it: Interpreter): void {
  it.startMissingDocument = () => beginMissingDocument(it);
}
