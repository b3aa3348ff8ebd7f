import type { SitePosting } from '../../src/lib/domain/courseSite';

const DAY = 86_400_000;

/** What the courses of Skerry Point College have posted, with deadlines counted from a day. */
export function postingsFrom(today: Date): SitePosting[] {
  const due = (days: number, hour: number): string => {
    const day = new Date(today.getTime() + days * DAY);
    return new Date(day.getFullYear(), day.getMonth(), day.getDate(), hour).toISOString();
  };
  return [
    {
      id: 'ma214-walks',
      course: 'MA 214',
      courseTitle: 'Chains and Timetables',
      title: 'Walks between harbours',
      problems: ['1', '2', '3'],
      rules: {
        kinds: ['pdf', 'tex', 'zip'],
        largest: 5_000_000,
        mostPages: 6,
        deadline: due(3, 18),
        latePolicy: 'Late hand-ins are taken for one day and marked as late.',
        lateMinutes: 1440,
      },
      files: ['harbour-walks.tex'],
    },
    {
      id: 'ma118-beacons',
      course: 'MA 118',
      courseTitle: 'Proof Workshop',
      title: 'Beacons and parity',
      problems: ['1', '2'],
      rules: {
        kinds: ['pdf'],
        largest: 2_000_000,
        mostPages: 2,
        deadline: due(9, 12),
        latePolicy: 'Nothing is taken after the deadline.',
        lateMinutes: 0,
      },
      files: ['beacons.tex', 'beacon-row.svg'],
    },
    {
      id: 'ma230-soundings',
      course: 'MA 230',
      courseTitle: 'Analysis by the Sea',
      title: 'Soundings (closed)',
      problems: ['1'],
      rules: {
        kinds: ['pdf'],
        largest: 2_000_000,
        mostPages: null,
        deadline: due(-2, 12),
        latePolicy: 'Nothing is taken after the deadline.',
        lateMinutes: 0,
      },
      files: ['soundings.tex'],
    },
  ];
}
