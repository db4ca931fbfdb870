import { Command } from 'cmdk';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { KIND_WORDS, wordsIn } from '../../core/library/index.ts';
import { Dialog } from '../ui/index.ts';
import { entryId, useSearch } from '../workers/index.ts';
import { currentTheme, preferences, setTheme } from './preferences.ts';
import { signOut } from './leaving.ts';
import { useLibrary } from './library.ts';
import { usePeople } from './people.tsx';
import { useSigned, useUnits } from './start.tsx';

interface Props {
  open: boolean;
  onClose: () => void;
  onShortcuts: () => void;
}

/** Whether every word that was typed begins one of the entry: what merely has the letters somewhere is not meant. */
const hasWords = (entry: string, typed: string): number => {
  const words = wordsIn(entry);
  return wordsIn(typed).every((t) => words.some((w) => w.startsWith(t))) ? 1 : 0;
};

/** Library documents offered at most: the best are first. */
const MOST_FOUND = 12;

/** Go to, and do: everything within reach of the keyboard. */
export function CommandBar({ open, onClose, onShortcuts }: Props) {
  const { me } = useSigned();
  const units = useUnits();
  const navigate = useNavigate();
  const { entries } = useLibrary(open);
  const { people } = usePeople(open && me.role !== 'viewer');
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState({ of: '', value: '' });
  const found = useSearch(entries, open ? text : '').found ?? [];
  const byId = new Map(entries.map((e) => [entryId(e), e]));
  const calledSo = new Map(found.flatMap((f) => (f.calledSo === null ? [] : [[f.id, f.calledSo]])));
  const documents = found.flatMap((f) => byId.get(f.id) ?? []).filter((e) => !e.retired);
  // What is only spelt like it comes after what is meant.
  const sure = found[0]?.mistyped !== true;
  // The best of the library is chosen as soon as it is found, until another one is.
  const first = text === '' || !sure || !documents[0] ? '' : entryId(documents[0]);
  const value = chosen.of === first ? chosen.value : first;
  const go = (to: string) => () => {
    setText('');
    onClose();
    void navigate(to);
  };
  const act = (action: () => void) => () => {
    setText('');
    onClose();
    action();
  };
  const rooms: [string, string][] = [
    ...(me.role === 'viewer'
      ? []
      : ([
          ['Floor: today', '/floor'],
          ['Faults desk', '/faults'],
          ['Rate as a second coach', '/faults/rate'],
          ['The coach’s eye: practise seeing faults', '/faults/eye'],
          ['Overview', '/overview'],
          ['Import or export sets', '/sets'],
          ['People', '/people'],
        ] satisfies [string, string][])),
    ['Library', '/library'],
    ['Getting to know it: the guide', '/guide'],
    ['Ladders', '/ladders'],
    ['Body room', '/body'],
    ['Which for this purpose', '/body/purpose'],
    ['Kit: what the hall has', '/kit'],
    ['Print sheets', '/print'],
    ...(me.role === 'viewer' ? [] : ([['Changes', '/changes']] satisfies [string, string][])),
    ...(me.role === 'head coach'
      ? ([
          ['What the fault cases say', '/faults/report'],
          ['Hall', '/hall'],
        ] satisfies [string, string][])
      : []),
  ];
  const library = (
    <Group heading="Library" forceMount={documents.length > 0}>
      {documents.slice(0, MOST_FOUND).map((e) => (
        // Found by the library's own search, so that the list may not sift them again.
        <Item key={entryId(e)} value={entryId(e)} forceMount onSelect={go(`/library/${e.kind}/${e.slug}`)}>
          {e.title}
          <span className="text-soft">{calledSo.get(entryId(e)) ?? KIND_WORDS[e.kind]}</span>
        </Item>
      ))}
    </Group>
  );
  return (
    <Dialog
      title="Go to, or do"
      open={open}
      onClose={() => {
        setText('');
        onClose();
      }}
    >
      <Command
        label="Go to, or do"
        className="grid gap-2"
        filter={hasWords}
        value={value}
        onValueChange={(to) => setChosen({ of: first, value: to })}
      >
        <Command.Input
          className="field"
          placeholder="A name, a variation, a room, an action"
          value={text}
          onValueChange={setText}
          autoFocus
        />
        <Command.List className="max-h-[50vh] overflow-y-auto">
          <Command.Empty className="p-3 text-soft">Nothing by that name. Try fewer letters.</Command.Empty>
          {sure && library}
          <Group heading="Do">
            <Item onSelect={act(() => setTheme(currentTheme() === 'dark' ? 'light' : 'dark'))}>
              Switch to {currentTheme() === 'dark' ? 'light' : 'dark'}
            </Item>
            <Item onSelect={act(() => preferences.massUnit.put(units.mass === 'kg' ? 'lb' : 'kg'))}>
              Show mass in {units.mass === 'kg' ? 'lb' : 'kg'}
            </Item>
            <Item onSelect={act(() => preferences.lengthUnit.put(units.length === 'cm' ? 'in' : 'cm'))}>
              Show length in {units.length === 'cm' ? 'in' : 'cm'}
            </Item>
            <Item onSelect={act(onShortcuts)}>Help with this screen, and the keys</Item>
            <Item onSelect={go('/me')}>Your account; change of coach</Item>
            <Item onSelect={act(signOut)}>Sign out</Item>
          </Group>
          <Group heading="Rooms">
            {rooms.map(([name, to]) => (
              <Item key={to} onSelect={go(to)}>
                {name}
              </Item>
            ))}
          </Group>
          <Group heading="People">
            {people.flatMap((p) => [
              ...(p.covered
                ? []
                : [
                    <Item key={p.id} onSelect={go(`/people/${p.id}`)}>
                      {p.name}
                    </Item>,
                  ]),
              <Item
                key={`${p.id} log`}
                onSelect={go(p.covered ? `/floor/session?people=${p.id}` : `/floor/${p.id}`)}
              >
                Log a set for {p.name}
              </Item>,
            ])}
          </Group>
          {!sure && library}
        </Command.List>
      </Command>
    </Dialog>
  );
}

function Group({
  heading,
  children,
  forceMount,
}: {
  heading: string;
  children: React.ReactNode;
  forceMount?: boolean;
}) {
  return (
    <Command.Group
      heading={heading}
      forceMount={forceMount}
      className="[&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:py-1 [&_[cmdk-group-heading]]:text-sm [&_[cmdk-group-heading]]:text-soft"
    >
      {children}
    </Command.Group>
  );
}

function Item({
  children,
  onSelect,
  value,
  forceMount,
}: {
  children: React.ReactNode;
  onSelect: () => void;
  value?: string;
  forceMount?: boolean;
}) {
  return (
    <Command.Item
      value={value}
      forceMount={forceMount}
      onSelect={onSelect}
      className="flex justify-between gap-4 px-3 py-2 data-[selected=true]:bg-tape data-[selected=true]:text-on-tape data-[selected=true]:[&_span]:text-on-tape"
    >
      {children}
    </Command.Item>
  );
}
