import type { AssignmentService } from '$lib/server/services/assignments';

declare global {
  namespace App {
    interface Locals {
      services: { assignments: AssignmentService };
    }
    interface Error {
      message: string;
    }
  }
}
