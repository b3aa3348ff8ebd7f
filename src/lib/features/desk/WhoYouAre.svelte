<script lang="ts">
  import type { Profile } from '$lib/domain/schemas';
  import { ask, tell } from '$lib/ui/ask';
  import Panel from '$lib/ui/Panel.svelte';
  import Problem from '$lib/ui/Problem.svelte';

  let { profile, onchanged }: { profile: Profile; onchanged: () => Promise<void> } = $props();

  let dialog = $state<ReturnType<typeof Panel>>();
  let name = $state('');
  let college = $state('');
  let number = $state('');
  let problem = $state<string | null>(null);
  let taken = $state<string | null>(null);

  export function open() {
    ({ name, college, number } = profile);
    problem = taken = null;
    dialog?.open();
  }
  async function keep(event: SubmitEvent) {
    event.preventDefault();
    const said = await tell('PUT', '/api/profile', { name, college, number });
    if (!said.ok) return void (problem = said.problem);
    dialog?.close();
    await onchanged();
  }
  async function takeCollection(event: Event & { currentTarget: HTMLInputElement }) {
    const [file] = event.currentTarget.files ?? [];
    if (!file) return;
    const said = await ask<{ taken: number; there: number }>('/api/collection', {
      method: 'POST',
      headers: { 'content-type': 'application/zip' },
      body: file,
    });
    if (!said.ok) return void (problem = said.problem);
    const { taken: count, there } = said.value;
    problem = null;
    taken = `${count === 1 ? '1 sheet was' : `${count} sheets were`} taken${there > 0 ? `; ${there} were here already and stayed as they are` : ''}.`;
    await onchanged();
    // A name that came with it stands in fields that nobody has written in.
    if (name === '' && college === '' && number === '') ({ name, college, number } = profile);
  }
</script>

<Panel bind:this={dialog} title="Who you are">
  <Problem says={problem} />
  <form class="grid gap-4" onsubmit={keep}>
    <label>
      Your name, as it stands on what you hand in
      <input class="input mt-1 w-full" bind:value={name} maxlength="120" autocomplete="name" />
    </label>
    <label>
      College
      <input class="input mt-1 w-full" bind:value={college} maxlength="160" />
    </label>
    <label>
      Student number
      <input class="input mt-1 w-full" bind:value={number} maxlength="60" />
    </label>
    <div><button class="btn btn-primary btn-sm">Keep these</button></div>
  </form>
  <section class="mt-5 border-t border-base-300 pt-4" aria-labelledby="collection-title">
    <h3 id="collection-title" class="mb-1 font-bold">All your work</h3>
    <p class="mb-2">
      Everything as plain files in one zip, earlier versions and what was handed in among them, to
      take with you or to bring back.
    </p>
    <a class="btn btn-sm" href="/api/collection" download>Take it all out</a>
    <label class="btn btn-sm">
      Bring it back
      <input type="file" class="sr-only" accept=".zip" onchange={takeCollection} />
    </label>
    {#if taken}<p class="mt-2" role="status">{taken}</p>{/if}
  </section>
</Panel>
