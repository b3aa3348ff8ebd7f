import { blob, index, integer, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import { ASSIGNMENT_STATES, INKS, KINDS, VERSION_KINDS } from '../../domain/choices';

/** A course, as the student names it. */
export const courses = sqliteTable('courses', {
  id: text('id').primaryKey(),
  code: text('code').notNull(),
  title: text('title').notNull(),
  term: text('term').notNull(),
  position: integer('position').notNull().default(0),
  colour: text('colour', { enum: INKS }).notNull().default('brass'),
  archivedAt: text('archived_at'),
});

/**
 * An assignment under a course. Times are ISO 8601 in UTC. `edition` grows by one with
 * each change of any of its files: what was typeset is of one edition.
 */
export const assignments = sqliteTable(
  'assignments',
  {
    id: text('id').primaryKey(),
    courseId: text('course_id')
      .notNull()
      .references(() => courses.id, { onDelete: 'cascade' }),
    title: text('title').notNull(),
    dueAt: text('due_at'),
    state: text('state', { enum: ASSIGNMENT_STATES }).notNull().default('draft'),
    updatedAt: text('updated_at').notNull(),
    kind: text('kind', { enum: KINDS }).notNull().default('problem set'),
    mainPath: text('main_path').notNull().default('sheet.tex'),
    edition: integer('edition').notNull().default(1),
    archivedAt: text('archived_at'),
    deletedAt: text('deleted_at'),
    /** What the course site posted, as JSON; null for one's own. */
    posting: text('posting'),
  },
  (table) => [index('assignments_course').on(table.courseId)],
);

/** The text files of an assignment. `revision` grows by one with each save; `indexed` is the one that search knows. */
export const files = sqliteTable(
  'files',
  {
    id: text('id').primaryKey(),
    assignmentId: text('assignment_id')
      .notNull()
      .references(() => assignments.id, { onDelete: 'cascade' }),
    path: text('path').notNull(),
    content: text('content').notNull(),
    revision: integer('revision').notNull().default(1),
    updatedAt: text('updated_at').notNull(),
    indexed: integer('indexed').notNull().default(0),
  },
  (table) => [
    uniqueIndex('files_path').on(table.assignmentId, table.path),
    index('files_indexed').on(table.indexed, table.revision),
  ],
);

/** Pictures of an assignment, as they came. `version` grows by one each time one of that name is replaced. */
export const pictures = sqliteTable(
  'pictures',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    assignmentId: text('assignment_id')
      .notNull()
      .references(() => assignments.id, { onDelete: 'cascade' }),
    name: text('name').notNull(),
    bytes: blob('bytes', { mode: 'buffer' }).notNull(),
    version: integer('version').notNull().default(1),
    updatedAt: text('updated_at').notNull(),
  },
  (table) => [uniqueIndex('pictures_name').on(table.assignmentId, table.name)],
);

/** The typeset form of one edition: how it stands, its first page, the PDF. Large columns come last, so that the desk never reads over them. */
export const typesettings = sqliteTable('typesettings', {
  assignmentId: text('assignment_id')
    .primaryKey()
    .references(() => assignments.id, { onDelete: 'cascade' }),
  edition: integer('edition').notNull(),
  pages: integer('pages').notNull(),
  toFix: integer('to_fix').notNull(),
  madeAt: text('made_at').notNull(),
  /** PNG. */
  firstPage: blob('first_page', { mode: 'buffer' }).notNull(),
  pdf: blob('pdf', { mode: 'buffer' }).notNull(),
});

/** Bytes kept once, however many versions hold them. */
export const blobs = sqliteTable('blobs', {
  hash: text('hash').primaryKey(),
  bytes: blob('bytes', { mode: 'buffer' }).notNull(),
});

/** An earlier version: `whole` ones stand by themselves, others are what changed since the one before. */
export const versions = sqliteTable(
  'versions',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    assignmentId: text('assignment_id')
      .notNull()
      .references(() => assignments.id, { onDelete: 'cascade' }),
    at: text('at').notNull(),
    kind: text('kind', { enum: VERSION_KINDS }).notNull(),
    name: text('name'),
    edition: integer('edition').notNull(),
    words: integer('words').notNull(),
    pages: integer('pages'),
    whole: integer('whole', { mode: 'boolean' }).notNull(),
    /** Characters of change kept in it. */
    size: integer('size').notNull(),
    content: blob('content', { mode: 'buffer' }).notNull(),
  },
  (table) => [index('versions_assignment').on(table.assignmentId, table.id)],
);

/** What was handed in, with what the course site answered. The files are the version's; the PDF is the one that went. */
export const handIns = sqliteTable(
  'hand_ins',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    assignmentId: text('assignment_id')
      .notNull()
      .references(() => assignments.id, { onDelete: 'cascade' }),
    versionId: integer('version_id')
      .notNull()
      .references(() => versions.id, { onDelete: 'cascade' }),
    at: text('at').notNull(),
    /** JSON. */
    receipt: text('receipt').notNull(),
    pdf: blob('pdf', { mode: 'buffer' }).notNull(),
  },
  (table) => [index('hand_ins_assignment').on(table.assignmentId)],
);

/** A piece of source kept under a name, with the lines of the preamble that it needs. */
export const fragments = sqliteTable('fragments', {
  id: integer('id').primaryKey({ autoIncrement: true }),
  name: text('name').notNull(),
  source: text('source').notNull(),
  /** Names of packages, JSON. */
  packages: text('packages').notNull(),
  origin: text('origin').notNull(),
  at: text('at').notNull(),
});

/** The student's own particulars, and other single values. */
export const settings = sqliteTable('settings', {
  key: text('key').primaryKey(),
  value: text('value').notNull(),
});
