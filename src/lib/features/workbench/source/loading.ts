import type { ChangeSpec, EditorState } from '@codemirror/state';
import { packageLine } from '@odd-compass/engine/packageLine';
import { knowledge } from './sourceFacts';
import { hasPackage, loadedPackages } from './structure';

/** The change that loads a package; nothing when it is loaded. */
export function loading(state: EditorState, pkg: string): ChangeSpec {
  const text = state.doc.toString();
  if (hasPackage(loadedPackages(text), pkg, state.facet(knowledge).words())) return [];
  return packageLine(text, pkg) ?? [];
}
