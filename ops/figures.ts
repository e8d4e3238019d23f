import { writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { figuresPage } from './list-figures';

/** Writes docs/figures.md from the code. */
const path = 'docs/figures.md';
writeFileSync(path, await format(figuresPage(), { ...(await resolveConfig(path)), filepath: path }));
