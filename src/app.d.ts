import type { Services } from '$lib/server/compose';

declare global {
  namespace App {
    interface Locals {
      services: Services;
    }
    interface Error {
      message: string;
    }
  }
}
