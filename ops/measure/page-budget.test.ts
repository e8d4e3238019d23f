import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { overBudget } from './page-budget';

const row = { name: '/week', cpu: 20, statements: 2, html: 100_000, script: 160_000 };

describe('what a page may cost', () => {
  it('is a quarter more than its row, and a little', () => {
    expect(overBudget({ ...row, cpu: 30, statements: 3, html: 134_000, script: 204_000 }, row)).toEqual([]);
    expect(overBudget({ ...row, cpu: 32 }, row)).toEqual(['/week: cpu 32 where its row has 20.']);
    expect(overBudget({ ...row, statements: 4 }, row)[0]).toContain('statements 4');
    expect(overBudget({ ...row, html: 136_000, script: 206_000 }, row)).toHaveLength(2);
    expect(overBudget(row, undefined)[0]).toContain('has no row');
  });
  it('stands in the table for every page a member opens', () => {
    const table = readFileSync('docs/page-costs.md', 'utf8');
    const pages = readdirSync('app/(club)', { recursive: true, encoding: 'utf8' })
      .filter((file) => file.endsWith('page.tsx'))
      .map((file) => `/${file.replace(/\/page\.tsx$/, '')}`);
    const named = (page: string): boolean =>
      table.includes(`| ${page} |`) ||
      table.includes(`| ${page}?`) ||
      (page.includes('[') && table.includes(`| ${page}`));
    const elsewhere = [
      // One method and one place stand for all; these lead on at once, or are forms without anything of the club's.
      '/methods/[method]',
      '/places/[place]/lost-tag',
      '/stand-ins/caliper',
      '/stand-ins/logger',
      '/topworking/new',
      '/workshops/[workshop]',
      '/workshops/[workshop]/score/unions/[union]',
    ];
    expect(pages.filter((page) => !named(page) && !elsewhere.includes(page))).toEqual([]);
  });
});
