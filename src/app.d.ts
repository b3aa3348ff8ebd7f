import type { AssignmentService } from '$lib/server/services/assignments';
import type { PictureService } from '$lib/server/services/pictures';

declare global {
  namespace App {
    interface Locals {
      services: { assignments: AssignmentService; pictures: PictureService };
    }
    interface Error {
      message: string;
    }
  }
}
