import { cleanup } from '@testing-library/svelte';
import { afterEach, vi } from 'vitest';

/** What browsers have and the simulated one has not, as far as views ask for it. */
HTMLDialogElement.prototype.showModal = function showModal() {
  this.open = true;
};
HTMLDialogElement.prototype.show = HTMLDialogElement.prototype.showModal;
HTMLDialogElement.prototype.close = function close() {
  this.open = false;
  this.dispatchEvent(new Event('close'));
};
Element.prototype.scrollIntoView = () => undefined;
Range.prototype.getClientRects = () => [] as unknown as DOMRectList;
Range.prototype.getBoundingClientRect = () => new DOMRect();
vi.stubGlobal(
  'ResizeObserver',
  class {
    observe = (): void => undefined;
    unobserve = (): void => undefined;
    disconnect = (): void => undefined;
  },
);
window.matchMedia = (query) =>
  ({
    matches: false,
    media: query,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  }) as unknown as MediaQueryList;

afterEach(() => {
  cleanup();
  document.body.replaceChildren();
  localStorage.clear();
});
