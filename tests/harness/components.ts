/** What tests of components need beside the document: matchers, and what browsers have and jsdom has not. */
import '@testing-library/jest-dom';
import { configure } from '@testing-library/react';

/* A failure names what it missed; the whole document beside it hides that. On a busy machine what is awaited comes late. */
configure({ getElementError: (message) => new Error(message ?? 'not found'), asyncUtilTimeout: 10_000 });
Element.prototype.scrollIntoView = () => {};

Object.defineProperty(window, 'matchMedia', {
  writable: true,
  value: (query: string) => ({
    matches: false,
    media: query,
    addEventListener: () => {},
    removeEventListener: () => {},
    addListener: () => {},
    removeListener: () => {},
  }),
});

/** Where a page was left for, as `went` of the harness tells. */
const mockRouter = {
  push: (path: string) => window.dispatchEvent(new CustomEvent('went', { detail: path })),
  refresh: () => window.dispatchEvent(new CustomEvent('went', { detail: 'refresh' })),
};
jest.mock('next/navigation', () => ({
  useRouter: () => mockRouter,
  usePathname: () => '/',
  useSearchParams: () => new URLSearchParams(),
}));
afterEach(() => {
  localStorage.clear();
  /* What was typed in one test is no beginning of the words of the next. */
  window.dispatchEvent(new Event('pointerdown'));
});
