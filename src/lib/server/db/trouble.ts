/** The database cannot be used; the words are for whoever started the server, or writes in a window. */
export class DatabaseTrouble extends Error {
  constructor(
    message: string,
    /** What it is, for those who look into it. */
    readonly kind: TroubleKind,
    options?: { readonly cause: unknown },
  ) {
    super(message, options);
  }
}

export type TroubleKind =
  'damaged' | 'read-only' | 'full' | 'locked' | 'newer' | 'unreachable' | 'in-use';

const SENTENCES: Readonly<Record<TroubleKind, (path: string) => string>> = {
  damaged: (path) =>
    `The database ${path} is damaged. Put the newest copy in its place with: bin/odd-compass restore`,
  'read-only': (path) =>
    `The database ${path} may be read, but not written. Give this account the right to write it and its folder.`,
  full: (path) =>
    `There is no room left on the disk of the database ${path}. Make some; then go on.`,
  locked: (path) =>
    `The database ${path} is locked by another program. Close that program; then go on.`,
  newer: (path) =>
    `The database ${path} was written by a newer Odd Compass than this one. Use the newer one, or name another database with ODD_COMPASS_DATABASE.`,
  unreachable: (path) =>
    `The database ${path} cannot be opened. Look whether its folder is there and may be entered.`,
  'in-use': (path) =>
    `The database ${path} is in use by another Odd Compass on this machine. Use that one, or end it first.`,
};

export const databaseTrouble = (
  kind: TroubleKind,
  path: string,
  cause?: unknown,
): DatabaseTrouble => new DatabaseTrouble(SENTENCES[kind](path), kind, { cause });

/** What the codes of SQLite (its C interface, "Result and Error Codes") come from. */
const CODES: readonly (readonly [RegExp, TroubleKind])[] = [
  [/^SQLITE_(CORRUPT|NOTADB)/, 'damaged'],
  [/^(SQLITE_READONLY|EACCES|EROFS|EPERM|SQLITE_PERM|SQLITE_AUTH)/, 'read-only'],
  [/^(SQLITE_FULL|ENOSPC|SQLITE_IOERR_WRITE)/, 'full'],
  [/^(SQLITE_BUSY|SQLITE_LOCKED)/, 'locked'],
  [/^(SQLITE_CANTOPEN|SQLITE_IOERR|ENOENT|ENOTDIR|EEXIST)/, 'unreachable'],
];

/** The trouble that an error of the database, or one caused by one, stands for; null for any other error. */
export function troubleOf(error: unknown, path: string): DatabaseTrouble | null {
  for (let at = error; at instanceof Error; at = at.cause) {
    if (at instanceof DatabaseTrouble) return at;
    const code = (at as { readonly code?: unknown }).code;
    const found = typeof code === 'string' && CODES.find(([pattern]) => pattern.test(code));
    if (found) return databaseTrouble(found[1], path, error);
  }
  return null;
}
