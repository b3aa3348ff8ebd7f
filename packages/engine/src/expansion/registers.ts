import type { Glue, Sp } from '../base/lengths';
import { emptyRegister, type RegisterMeaning, type RegisterType } from './meaning';
import type { Cell, State } from './state';

/** The storage of a register or parameter, by type and number or name. */
export function storageOf(state: State, type: RegisterType, name: string | number): Cell {
  return state.register(type, name);
}

/** Binds `\name` to a register of its own and sets it. */
export function declareRegister(
  state: State,
  type: RegisterType,
  name: string,
  value: unknown = emptyRegister(type),
): void {
  const storage = storageOf(state, type, name);
  const meaning: RegisterMeaning = { kind: 'register', type, storage };
  state.set(state.cell(name), meaning, true);
  state.set(storage, value, true);
}

export const getDimen = (state: State, name: string): Sp =>
  (state.get(storageOf(state, 'dimen', name)) as Sp | undefined) ?? 0;

export const setDimen = (state: State, name: string, value: Sp, global = false): void =>
  state.set(storageOf(state, 'dimen', name), value, global);

export const getSkip = (state: State, name: string): Glue =>
  (state.get(storageOf(state, 'skip', name)) as Glue | undefined) ??
  (emptyRegister('skip') as Glue);

export const setSkip = (state: State, name: string, value: Glue, global = false): void =>
  state.set(storageOf(state, 'skip', name), value, global);

export const getCount = (state: State, name: string): number =>
  (state.get(storageOf(state, 'count', name)) as number | undefined) ?? 0;

export const setCount = (state: State, name: string, value: number, global = false): void =>
  state.set(storageOf(state, 'count', name), value, global);
