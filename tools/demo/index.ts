import type { AssignmentState, Course } from '../../src/lib/domain/assignment';

/** Courses of Skerry Point College, where Maren Quill is in her second year. */
export const COURSES: readonly Course[] = [
  { id: 'ma214', code: 'MA 214', title: 'Chains and Timetables', term: 'Spring' },
  { id: 'ma118', code: 'MA 118', title: 'Proof Workshop', term: 'Spring' },
  { id: 'ma230', code: 'MA 230', title: 'Analysis by the Sea', term: 'Spring' },
];

interface DemoAssignment {
  readonly id: string;
  readonly courseId: string;
  readonly title: string;
  /** Due this many days from now, at this hour. */
  readonly days: number;
  readonly hour: number;
  readonly state: AssignmentState;
  /** Files in this folder: its source, its pictures. */
  readonly source: string;
  readonly pictures?: readonly string[];
}

export const ASSIGNMENTS: readonly DemoAssignment[] = [
  {
    id: 'three-harbours',
    courseId: 'ma214',
    title: 'Three harbours',
    days: 0,
    hour: 23,
    state: 'draft',
    source: 'three-harbours.tex',
  },
  {
    id: 'ferry-notes',
    courseId: 'ma214',
    title: 'Lecture notes: ferries as chains',
    days: 12,
    hour: 18,
    state: 'draft',
    source: 'ferry-notes.tex',
  },
  {
    id: 'lamp-signals',
    courseId: 'ma118',
    title: 'Lamp signals, week 5',
    days: 1,
    hour: 12,
    state: 'draft',
    source: 'lamp-signals.tex',
  },
  {
    id: 'signal-induction',
    courseId: 'ma118',
    title: 'Induction on signal patterns',
    days: 4,
    hour: 12,
    state: 'ready',
    source: 'signal-induction.tex',
  },
  {
    id: 'tide-gauge',
    courseId: 'ma230',
    title: 'The tide gauge',
    days: 6,
    hour: 17,
    state: 'ready',
    source: 'tide-gauge.tex',
    pictures: ['tide-curve.svg'],
  },
  {
    id: 'tide-sums',
    courseId: 'ma230',
    title: 'Tides as sums',
    days: -5,
    hour: 17,
    state: 'handed-in',
    source: 'tide-sums.tex',
  },
];
