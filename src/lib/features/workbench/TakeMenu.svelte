<script lang="ts">
  import { goto } from '$app/navigation';
  import type { OpenAssignment } from '$lib/domain/assignment';
  import { tell } from '$lib/ui/ask';
  import ChevronDown from '@lucide/svelte/icons/chevron-down';

  interface Props {
    assignment: OpenAssignment;
    /** Goes on when all is saved: what is taken is what the server has. */
    whenSaved: (event: MouseEvent, go: (address: string) => unknown) => Promise<void>;
    flush: () => Promise<boolean>;
  }
  let { assignment, whenSaved, flush }: Props = $props();

  let menu = $state<HTMLDetailsElement>();
  let problem = $state<string | null>(null);
  const place = $derived(`/a/${assignment.id}`);
  /** A file that is typeset by itself has a PDF of its own. */
  const isSheet = $derived(assignment.main.path === assignment.sheet);
  const pdf = $derived(
    isSheet ? `${place}/pdf` : `${place}/pdf?file=${encodeURIComponent(assignment.main.path)}`,
  );

  const close = (): void => void (menu && (menu.open = false));
  const opened = (event: MouseEvent) =>
    whenSaved(event, (href) => open(href, '_blank', 'noopener'));
  const taken = (event: MouseEvent) => {
    close();
    return whenSaved(event, (href) => location.assign(href));
  };

  /** Does something with the sheet as it is saved, and goes where that leads. */
  async function after(act: () => ReturnType<typeof tell<{ id: string }>>) {
    problem = null;
    if (!(await flush())) return;
    const said = await act();
    if (!said.ok) return void (problem = said.problem);
    close();
    await goto(`/a/${said.value.id}`, { invalidateAll: true });
  }
  const copy = () => after(() => tell('POST', `/api/assignments/${assignment.id}/duplicate`));
  const makeSheet = () =>
    after(() =>
      tell('PATCH', `/api/assignments/${assignment.id}`, { mainPath: assignment.main.path }),
    );

  /** Gone with Escape, and when one goes on elsewhere. */
  function leave(event: FocusEvent) {
    if (!menu?.contains(event.relatedTarget as Node | null)) close();
  }
  function keys(event: KeyboardEvent) {
    if (event.key !== 'Escape' || !menu?.open) return;
    close();
    menu.querySelector('summary')?.focus();
  }
</script>

<div class="join">
  <a
    class="btn join-item btn-primary btn-sm"
    href={pdf}
    target="_blank"
    rel="noopener"
    onclick={opened}>PDF</a
  >
  <!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
  <details class="dropdown dropdown-end" bind:this={menu} onfocusout={leave} onkeydown={keys}>
    <summary
      class="btn join-item btn-primary btn-sm px-1"
      aria-label="Take the sheet away, or copy it"
      title="Take the sheet away, or copy it"><ChevronDown size={16} /></summary
    >
    <ul
      class="dropdown-content menu z-10 mt-1 w-64 rounded-box border border-base-300 bg-base-100 p-1 text-base shadow"
    >
      <li><a href="{place}/source-files" download onclick={taken}>The source</a></li>
      <li>
        <a href="{place}/everything" download onclick={taken}>Source and PDF in one .zip</a>
      </li>
      <li><button onclick={copy}>A copy, to write on in that</button></li>
      {#if !isSheet}
        <li><button onclick={makeSheet}>Make {assignment.main.path} the sheet</button></li>
      {/if}
      {#if problem}
        <li role="alert" class="px-3 py-1 text-error">{problem}</li>
      {/if}
    </ul>
  </details>
</div>
