import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { $lib: new URL('./src/lib', import.meta.url).pathname } },
  test: {
    include: ['packages/**/*.test.ts', 'src/**/*.test.ts', 'tests/*.test.ts'],
    testTimeout: 60_000,
  },
});
