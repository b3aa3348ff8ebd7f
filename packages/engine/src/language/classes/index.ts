import type { ClassEntry } from '../entries';
import { article } from './article';

/** The document classes, by name. */
export const CLASSES: Readonly<Record<string, ClassEntry | undefined>> = { article };
