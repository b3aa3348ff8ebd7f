import { blob, index, integer, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';

/** A course, as the student names it. */
export const courses = sqliteTable('courses', {
  id: text('id').primaryKey(),
  code: text('code').notNull(),
  title: text('title').notNull(),
  term: text('term').notNull(),
  position: integer('position').notNull().default(0),
});

/** An assignment under a course. Times are ISO 8601 in UTC. */
export const assignments = sqliteTable(
  'assignments',
  {
    id: text('id').primaryKey(),
    courseId: text('course_id')
      .notNull()
      .references(() => courses.id, { onDelete: 'cascade' }),
    title: text('title').notNull(),
    dueAt: text('due_at'),
    state: text('state', { enum: ['draft', 'ready', 'handed-in'] })
      .notNull()
      .default('draft'),
    updatedAt: text('updated_at').notNull(),
  },
  (table) => [index('assignments_course').on(table.courseId)],
);

/** The text files of an assignment. `revision` grows by one with each save. */
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
  },
  (table) => [uniqueIndex('files_path').on(table.assignmentId, table.path)],
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

/** The typeset form of one revision of a file: the PDF, its first page, what was found. */
export const typesettings = sqliteTable(
  'typesettings',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    fileId: text('file_id')
      .notNull()
      .references(() => files.id, { onDelete: 'cascade' }),
    revision: integer('revision').notNull(),
    pdf: blob('pdf', { mode: 'buffer' }).notNull(),
    firstPage: text('first_page').notNull(),
    pages: integer('pages').notNull(),
    toFix: integer('to_fix').notNull(),
    madeAt: text('made_at').notNull(),
  },
  (table) => [uniqueIndex('typesettings_revision').on(table.fileId, table.revision)],
);
