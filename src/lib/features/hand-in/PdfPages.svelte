<script lang="ts">
  import { drawPdfPage, openPdf } from '$lib/ui/pdf';
  import type { PDFDocumentProxy } from 'pdfjs-dist';

  let { address }: { address: string } = $props();
  let pdf = $state.raw<PDFDocumentProxy | null>(null);
  let problem = $state<string | null>(null);

  /** Pixels across, enough for a large screen. */
  const WIDTH = 1400;
  const UNREADABLE = 'The PDF cannot be shown. Open it from the workbench.';

  $effect(() => {
    let left = false;
    let opened: PDFDocumentProxy | null = null;
    openPdf(address).then(
      (found) => {
        opened = found;
        if (left) void found.destroy();
        else pdf = found;
      },
      () => (problem = UNREADABLE),
    );
    return () => {
      left = true;
      void opened?.destroy();
    };
  });

  /** Draws a page when its canvas is there. */
  const page = (of: PDFDocumentProxy, number: number) => (canvas: HTMLCanvasElement) => {
    drawPdfPage(of, number, WIDTH, canvas).catch(() => (problem = UNREADABLE));
  };
</script>

{#if problem}<p role="alert">{problem}</p>{/if}
{#if pdf}
  {#each { length: pdf.numPages }, i (i)}
    <figure class="mb-5 bg-white shadow" aria-label="Page {i + 1} of the PDF">
      <canvas class="block w-full" {@attach page(pdf, i + 1)}></canvas>
    </figure>
  {/each}
{/if}
