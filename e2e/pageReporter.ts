import { existsSync, readFileSync } from 'node:fs';
import type { FullResult, Reporter, TestCase, TestResult } from '@playwright/test/reporter';

/** How much of a page is printed, characters. */
const most = 4000;

/** Prints what stood on the page where a test failed: on another machine nobody can open the file that holds it. */
export default class PageReporter implements Reporter {
  private readonly pages: string[] = [];

  onTestEnd(test: TestCase, result: TestResult): void {
    if (result.status === 'passed' || result.status === 'skipped') return;
    const kept = result.attachments.find((one) => one.name === 'error-context')?.path;
    if (!kept || !existsSync(kept)) return;
    const text = readFileSync(kept, 'utf8');
    const page = text.split('# Page snapshot')[1]?.split('# Test source')[0] ?? '';
    this.pages.push(`The page when “${test.title}” failed:\n${page.trim().slice(0, most)}`);
  }

  onEnd(_: FullResult): void {
    for (const page of this.pages) console.log(`\n${page}`);
  }

  printsToStdio(): boolean {
    return false;
  }
}
