import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'mysql',
  schema: './data/schema/index.ts',
  out: './data/migrations',
  casing: 'snake_case',
});
