import type { CommandEntry, Module } from './entries';
import type { Interpreter, LanguageCommand } from './interpreter';
import { macroOf, tokenize } from './define';
import type { Macro } from '../../expansion/meaning';
import { environmentCell } from './cells';

/** Command and environment entries of one name, text and formula sides put together. */
function merged(before: unknown, entry: CommandEntry): CommandEntry {
  const old =
    (before as LanguageCommand | undefined)?.kind === 'command' &&
    !(before as LanguageCommand).yields
      ? (before as LanguageCommand).entry
      : undefined;
  if (!old || (old.run && entry.run) || (old.math && entry.math)) return entry;
  return { ...old, ...entry };
}

/** Binds everything a module brings; with its macros and its setup. */
export function install(
  it: Interpreter,
  module: Module,
  options: readonly string[],
  beforeSetup: () => void = () => undefined,
): void {
  const { state } = it;
  for (const entry of module.commands ?? []) {
    const cell = state.cell(entry.name);
    if (entry.macro !== undefined) {
      state.set(cell, entryMacro(it, entry), true);
      continue;
    }
    if (entry.yields && state.get(cell) !== undefined) continue;
    const command: LanguageCommand = {
      kind: 'command',
      name: entry.name,
      entry: merged(state.get(cell), entry),
      ...(entry.read ? { read: entry.read } : {}),
      ...(entry.yields ? { yields: true } : {}),
    };
    state.set(cell, command, true);
  }
  for (const entry of module.environments ?? [])
    state.write(environmentCell(entry.name), entry, true);
  for (const [name, body] of Object.entries(module.macros ?? {})) {
    const params = /#(\d)/g;
    const count = Math.max(0, ...[...body.matchAll(params)].map((hit) => Number(hit[1])));
    state.set(state.cell(name), macroOf(state, body, count), true);
  }
  if (module.source !== undefined) executeOwn(it, module.source);
  beforeSetup();
  module.setup?.(it, options);
}

/** A package's source defines commands beside its environments, not in their place. */
function executeOwn(it: Interpreter, source: string): void {
  const { redefined } = it.p;
  it.p.redefined = () => undefined;
  it.execute(it.source(source));
  it.p.redefined = redefined;
}

/** A command given as a macro: its signature says how many arguments it takes. */
function entryMacro(it: Interpreter, entry: CommandEntry): Macro {
  const count = [...entry.signature].filter((c) => c !== ' ').length;
  const macro = macroOf(it.state, entry.macro ?? '', count);
  if (!entry.signature.startsWith('o')) return macro;
  const optional = tokenize(it.state, entry.fallback ?? '');
  return { ...macro, params: macro.params.slice(1), optional };
}
