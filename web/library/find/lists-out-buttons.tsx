import { Button } from '../../ui/index.ts';
import type { Table } from './lists-out.ts';

/** A list as it stands, to take along; what makes the files is loaded when it is asked for. */
export function ListsOut({ name, table }: { name: string; table: () => Promise<Table> }) {
  const out = async (format: 'csv' | 'md') => {
    const { csvOf, download, markdownOf } = await import('./lists-out.ts');
    const made = await table();
    const file = `meister-${name.toLowerCase().replaceAll(' ', '-')}.${format}`;
    if (format === 'csv') download(file, 'text/csv', csvOf(made));
    else download(file, 'text/markdown', markdownOf(made));
  };
  return (
    <p className="flex gap-1">
      <Button tone="quiet" className="text-sm" onClick={() => void out('csv')}>
        As CSV
      </Button>
      <Button tone="quiet" className="text-sm" onClick={() => void out('md')}>
        As Markdown
      </Button>
    </p>
  );
}
