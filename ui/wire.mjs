// Makes src/lib/wire.gen.ts from the schema of the wire's Go types. With
// --check it changes nothing and fails where the file is not current.
import { readFileSync, writeFileSync } from 'node:fs';
import { compile } from 'json-schema-to-typescript';

const schema = JSON.parse(readFileSync(new URL('../wire/schema.json', import.meta.url), 'utf8'));
const target = new URL('./src/lib/wire.gen.ts', import.meta.url);
const made = await compile(schema, 'All', {
  bannerComment: '// Generated from the Go package wire by `make wire`. Do not edit.',
  style: { singleQuote: true, printWidth: 100 },
});
if (!process.argv.includes('--check')) {
  writeFileSync(target, made);
} else if (readFileSync(target, 'utf8') !== made) {
  console.error('src/lib/wire.gen.ts is not current: run make wire');
  process.exit(1);
}
