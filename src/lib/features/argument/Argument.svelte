<script lang="ts">
  import { goto } from '$app/navigation';
  import type { FileInfo, OpenAssignment } from '$lib/domain/assignment';
  import { placeIn, splicedParts } from '$lib/domain/splicedParts';
  import { lineMap, positionAt } from '@odd-compass/engine/lines';
  import SheetPlace from '$lib/ui/SheetPlace.svelte';
  import { argumentOf, type ArgumentNode } from '@odd-compass/checks';
  import { onMount } from 'svelte';
  import { EngineClient, engineFiles, lookingLines } from '../workbench';
  import ArgumentMap from './ArgumentMap.svelte';
  import { nameOf, remarksOn } from './layers';

  interface Props {
    assignment: OpenAssignment;
    /** Texts that the sheet may read in, by their names. */
    parts: readonly (readonly [path: string, text: string])[];
  }
  let { assignment, parts }: Props = $props();

  const texts = $derived(new Map([...parts, [assignment.main.path, assignment.main.content]]));
  /** The sheet with its parts in their places: all offsets here are of that. */
  const whole = $derived(
    splicedParts(assignment.main.path, assignment.main.content, (name) => texts.get(name) ?? null),
  );

  let engine = $state<EngineClient | null>(null);
  onMount(() => {
    const { main, files } = assignment;
    const opened = { path: main.path, text: whole.text, part: null };
    engine = new EngineClient(opened, engineFiles(assignment, files as readonly FileInfo[]));
    return () => engine?.close();
  });

  const argument = $derived(argumentOf(whole.text));
  const given = $derived((engine?.outline ?? []).filter(({ kind }) => kind === 'number'));
  const name = (node: ArgumentNode): string => nameOf(node, given);
  /** References in a picture have their numbers. */
  function numbered(source: string): string {
    const values = new Map((engine?.labels ?? []).map(({ name, value }) => [name, value]));
    return source
      .replace(/\\eqref\s*\{([^{}]+)\}/g, (_, label: string) => `(${values.get(label) ?? '?'})`)
      .replace(/\\\w*ref\s*\{([^{}]+)\}/g, (_, label: string) => values.get(label) ?? '?');
  }
  const remarks = $derived(remarksOn(argument, name));
  const preamble = $derived(lookingLines(assignment.main.content));
  const uses = (id: number): readonly ArgumentNode[] =>
    argument.edges.filter(({ from }) => from === id).flatMap(({ to }) => argument.nodes[to] ?? []);

  function go(offset: number): Promise<void> {
    const { file, at } = placeIn(whole.stretches, offset);
    return goto(`/a/${assignment.id}?file=${encodeURIComponent(file)}&at=${at}`);
  }
  /** The line of its file, which is named where it is not the main one. */
  function lineOf(offset: number): string {
    const { file, at } = placeIn(whole.stretches, offset);
    const { line } = positionAt(lineMap(texts.get(file) ?? ''), at);
    return file === assignment.main.path ? `line ${line}` : `${file}, line ${line}`;
  }
</script>

<div class="flex h-dvh min-w-[960px] flex-col">
  <SheetPlace
    id={assignment.id}
    title={assignment.title}
    course={assignment.course.title}
    here="Argument"
  />
  {#if argument.nodes.length === 0}
    <main class="p-8">
      <p>
        There are no theorems, lemmas or problems on this sheet yet. Once there are, this shows
        which of them rests on which.
      </p>
    </main>
  {:else}
    <main class="flex min-h-0 flex-1">
      <section class="min-w-0 flex-1 overflow-auto" aria-label="What rests on what, as a map">
        {#if engine && engine.accountRevision > 0}
          {@const client = engine}
          <ArgumentMap
            {argument}
            {name}
            picture={(source) => client.glimpse(numbered(source), preamble)}
            ongo={go}
          />
        {/if}
      </section>
      <section
        class="w-80 shrink-0 overflow-auto border-l border-base-300 px-4 py-3"
        aria-label="What rests on what, in words"
      >
        <h2 class="mb-1 text-lg font-bold">To look at</h2>
        {#if remarks.length === 0}
          <p class="mb-3">Every claim has a proof and is used, and none rests on itself.</p>
        {:else}
          <ul class="mb-3 flex flex-col gap-1">
            {#each remarks as { says, at }, i (i)}
              <li class="flex items-baseline gap-2">
                <button class="btn btn-xs font-normal" onclick={() => go(at)}>{lineOf(at)}</button>
                <span>{says}</span>
              </li>
            {/each}
          </ul>
        {/if}
        <h2 class="mb-1 text-lg font-bold">One after another</h2>
        <p class="mb-1 text-sm">On the map an arrow leads from what is used to what uses it.</p>
        <ol class="flex flex-col gap-1">
          {#each argument.nodes as node (node.id)}
            <li>
              <button class="link link-hover text-left" onclick={() => go(node.from)}
                >{name(node)}</button
              >
              {#if uses(node.id).length > 0}
                rests on {uses(node.id).map(name).join(', ')}
              {/if}
            </li>
          {/each}
        </ol>
      </section>
    </main>
  {/if}
</div>
