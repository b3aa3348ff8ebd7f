import { error } from '@sveltejs/kit';
import { assignmentId } from '../domain/schemas';
import type { AssignmentService, TypesetAssignment } from './services/assignments';
import { TypesetTooMuch } from './typeset/typesetter';

/** The typeset assignment, or an error with a sentence and a status. */
export async function typesetOr(
  service: AssignmentService,
  id: string,
): Promise<TypesetAssignment> {
  const checked = assignmentId.validate(id);
  if (checked.error) error(404, 'There is no such assignment.');
  try {
    const made = await service.typeset(checked.value as string);
    if (made) return made;
  } catch (problem) {
    if (problem instanceof TypesetTooMuch) error(503, problem.message);
    throw problem;
  }
  error(404, 'There is no such assignment.');
}
