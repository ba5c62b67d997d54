import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'mysql',
  schema: './src/store/all-tables.cjs',
  out: './src/store/migrations',
});
