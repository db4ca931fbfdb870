import { Command } from 'cmdk';
import { useNavigate } from 'react-router';
import type { LibraryList } from '../../contract/library.ts';
import type { Person } from '../../contract/people.ts';
import { KIND_WORDS } from '../../core/library/index.ts';
import { Dialog } from '../ui/index.ts';
import { request, queryClient, useGet } from './api.ts';
import { currentTheme, setTheme, writePreference } from './preferences.ts';
import { useSigned, useUnits } from './start.tsx';

interface Props {
  open: boolean;
  onClose: () => void;
  onShortcuts: () => void;
}

/** Go to, and do: everything within reach of the keyboard. */
export function CommandBar({ open, onClose, onShortcuts }: Props) {
  const { me } = useSigned();
  const units = useUnits();
  const navigate = useNavigate();
  const library = useGet<LibraryList>(open ? '/api/library' : null);
  const people = useGet<Person[]>(open && me.role !== 'viewer' ? '/api/people' : null);
  const go = (to: string) => () => {
    onClose();
    void navigate(to);
  };
  const act = (action: () => void) => () => {
    onClose();
    action();
  };
  const rooms: [string, string][] = [
    ...(me.role === 'viewer'
      ? []
      : ([
          ['Floor', '/floor'],
          ['People', '/people'],
        ] satisfies [string, string][])),
    ['Library', '/library'],
    ['Ladders', '/ladders'],
    ['Body room', '/body'],
    ...(me.role === 'viewer' ? [] : ([['Changes', '/changes']] satisfies [string, string][])),
    ...(me.role === 'head coach' ? ([['Hall', '/hall']] satisfies [string, string][]) : []),
  ];
  return (
    <Dialog title="Go to, or do" open={open} onClose={onClose}>
      <Command label="Go to, or do" className="grid gap-2">
        <Command.Input className="field" placeholder="A name, a variation, a room, an action" autoFocus />
        <Command.List className="max-h-[50vh] overflow-y-auto">
          <Command.Empty className="p-3 text-soft">Nothing by that name. Try fewer letters.</Command.Empty>
          <Group heading="Do">
            <Item onSelect={act(() => setTheme(currentTheme() === 'dark' ? 'light' : 'dark'))}>
              Switch to {currentTheme() === 'dark' ? 'light' : 'dark'}
            </Item>
            <Item onSelect={act(() => writePreference('massUnit', units.mass === 'kg' ? 'lb' : 'kg'))}>
              Show mass in {units.mass === 'kg' ? 'lb' : 'kg'}
            </Item>
            <Item onSelect={act(() => writePreference('lengthUnit', units.length === 'cm' ? 'in' : 'cm'))}>
              Show length in {units.length === 'cm' ? 'in' : 'cm'}
            </Item>
            <Item onSelect={act(onShortcuts)}>Show the keys</Item>
            <Item
              onSelect={act(() => {
                void request('POST', '/api/sign-out', {}).then(() => {
                  queryClient.clear();
                  location.assign('/');
                });
              })}
            >
              Sign out
            </Item>
          </Group>
          <Group heading="Rooms">
            {rooms.map(([name, to]) => (
              <Item key={to} onSelect={go(to)}>
                {name}
              </Item>
            ))}
          </Group>
          <Group heading="People">
            {people.data?.flatMap((p) => [
              <Item key={p.id} onSelect={go(`/people/${p.id}`)}>
                {p.name}
              </Item>,
              <Item key={`${p.id} log`} onSelect={go(`/floor/${p.id}`)}>
                Log a set for {p.name}
              </Item>,
            ])}
          </Group>
          <Group heading="Library">
            {library.data?.entries.map((e) => (
              <Item
                key={`${e.kind}/${e.slug}`}
                value={`${e.title} ${e.kind} ${e.slug}`}
                onSelect={go(`/library/${e.kind}/${e.slug}`)}
              >
                {e.title} <span className="text-soft">{KIND_WORDS[e.kind]}</span>
              </Item>
            ))}
          </Group>
        </Command.List>
      </Command>
    </Dialog>
  );
}

function Group({ heading, children }: { heading: string; children: React.ReactNode }) {
  return (
    <Command.Group
      heading={heading}
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
}: {
  children: React.ReactNode;
  onSelect: () => void;
  value?: string;
}) {
  return (
    <Command.Item
      value={value}
      onSelect={onSelect}
      className="flex justify-between gap-4 px-3 py-2 data-[selected=true]:bg-tape data-[selected=true]:text-on-tape data-[selected=true]:[&_span]:text-on-tape"
    >
      {children}
    </Command.Item>
  );
}
