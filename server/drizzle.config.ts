import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'mysql',
  schema: './src/store/tables.ts',
  out: './src/store/migrations',
});
