import type { CommandEntry, Module } from './entries';
import type { Interpreter, LanguageCommand } from './interpreter';
import { macroOf } from './define';

/** Command and environment entries of one name, text and formula sides put together. */
function merged(before: unknown, entry: CommandEntry): CommandEntry {
  const old =
    (before as LanguageCommand | undefined)?.kind === 'command'
      ? (before as LanguageCommand).entry
      : undefined;
  if (!old || (old.run && entry.run) || (old.math && entry.math)) return entry;
  return { ...old, ...entry };
}

/** Binds everything a module brings; with its macros and its setup. */
export function install(it: Interpreter, module: Module, options: readonly string[]): void {
  const { state } = it;
  for (const entry of module.commands ?? []) {
    const cell = state.cell(entry.name);
    const command: LanguageCommand = {
      kind: 'command',
      name: entry.name,
      entry: merged(state.get(cell), entry),
    };
    state.set(cell, command, true);
  }
  for (const entry of module.environments ?? [])
    state.set(state.cell(`\u0002${entry.name}`), entry, true);
  for (const [name, body] of Object.entries(module.macros ?? {})) {
    const params = /#(\d)/g;
    const count = Math.max(0, ...[...body.matchAll(params)].map((hit) => Number(hit[1])));
    state.set(state.cell(name), macroOf(state, body, count), true);
  }
  module.setup?.(it, options);
}
