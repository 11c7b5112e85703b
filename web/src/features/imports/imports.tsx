import type { ImportView } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import { useState, type ReactElement } from 'react';
import { useImports, useUndoImport } from '../../data/imports/imports.ts';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { FileField } from '../../ui/file-field.tsx';
import { Failed, Loading } from '../../ui/states.tsx';
import { TextArea } from '../../ui/text-area.tsx';
import { saidOfImport } from './import-words.ts';
import { openFile, type OpenedFile } from './mapping.ts';
import { Mapping } from './map-columns.tsx';
import { isWorkbook, readWorkbook, type Sheet } from './sheets.ts';

/** Tables from elsewhere: what a file holds is shown and put right before anything is stored. */
export function Imports(): ReactElement {
  const [file, setFile] = useState<OpenedFile>();
  const [sheets, setSheets] = useState<readonly Sheet[]>([]);
  const [sheet, setSheet] = useState<string>();
  const [chosenName, setChosenName] = useState<string>();
  const [fault, setFault] = useState<string>();
  const wrong = (error: unknown): void => {
    setFile(undefined);
    setFault(error instanceof Error ? error.message : 'This is no table.');
  };
  const open = (name: string, text: string): void => {
    try {
      setFile(openFile(name, text));
      setFault(undefined);
    } catch (error) {
      wrong(error);
    }
  };
  const paste = (name: string, text: string): void => {
    setSheets([]);
    setChosenName(undefined);
    open(name, text);
  };
  const openSheet = (of: string, { name, text }: Sheet, several: boolean): void => {
    setSheet(name);
    open(several ? `${of}, ${name}` : of, text);
  };
  const choose = async (chosen: File): Promise<void> => {
    setSheets([]);
    setChosenName(chosen.name);
    try {
      if (!isWorkbook(chosen.name)) return open(chosen.name, await chosen.text());
      const found = await readWorkbook(chosen);
      setSheets(found);
      openSheet(chosen.name, found[0]!, found.length > 1);
    } catch (error) {
      wrong(error);
    }
  };
  return (
    <div className="mt-3 max-w-4xl">
      <p className="max-w-prose text-quiet">
        A table, one thing a row: past sets, lifters, gripper attempts or squeeze scores. Nothing is stored
        before you have looked at it, and a whole file can be taken back.
      </p>
      <Source onFile={(chosen) => void choose(chosen)} onText={paste} chosen={chosenName} />
      {sheets.length > 1 && (
        <div className="mt-3">
          <Choices
            legend="Sheet of the workbook"
            value={sheet ?? sheets[0]!.name}
            options={sheets.map(({ name }) => [name, name] as const)}
            onChange={(name) =>
              openSheet(
                chosenName!,
                sheets.find((each) => each.name === name)!,
                true,
              )
            }
          />
        </div>
      )}
      {fault && (
        <p role="alert" className="mt-2 text-oxblood">
          {fault}
        </p>
      )}
      {file && (
        <Mapping key={`${file.name} ${file.text.length}`} file={file} onDone={() => setFile(undefined)} />
      )}
      <Before />
    </div>
  );
}

function Source({
  onFile,
  onText,
  chosen,
}: {
  onFile: (file: File) => void;
  onText: (name: string, text: string) => void;
  chosen: string | undefined;
}): ReactElement {
  const [pasted, setPasted] = useState('');
  return (
    <div className="mt-3 grid items-start gap-4 md:grid-cols-2">
      <FileField
        label="A file (XLSX, CSV, TSV or text)"
        accept=".xlsx,.csv,.tsv,.txt,text/*"
        chosen={chosen}
        onChange={onFile}
      />
      <div>
        <TextArea
          label="Or paste the cells"
          rows={3}
          spellCheck={false}
          value={pasted}
          onChange={(event) => setPasted(event.target.value)}
        />
        <Button
          className="mt-2"
          disabled={pasted.trim() === ''}
          onClick={() => onText('pasted cells', pasted)}
        >
          Read the cells
        </Button>
      </div>
    </div>
  );
}

/** Files that were brought in before, each taken back whole in one click. */
function Before(): ReactElement {
  const imports = useImports();
  return (
    <section aria-label="Brought in before" className="mt-8">
      <h2 className="border-b-2 border-ink pb-1 text-2xl">Brought in before</h2>
      {imports.isPending && <Loading what="what was brought in" lines={3} />}
      {imports.error && !imports.data && (
        <Failed error={imports.error} retry={() => void imports.refetch()} />
      )}
      {imports.data?.imports.length === 0 && <p className="py-2 text-quiet">Nothing yet.</p>}
      <ul>
        {imports.data?.imports.map((each) => (
          <Done key={each.id} done={each} />
        ))}
      </ul>
    </section>
  );
}

function Done({ done }: { done: ImportView }): ReactElement {
  const undo = useUndoImport();
  return (
    <li className="flex min-h-11 flex-wrap items-center gap-x-4 border-b border-rule py-1">
      <span className="grow">
        <b>{done.name}</b>{' '}
        <span className="text-quiet">
          {saidOfImport(done.kind, done.things, done.days)}, {format(parseISO(done.at), 'd MMM yyyy, HH:mm')},
          by {done.by}
          {done.undone && `; undone by ${done.undone.by}`}
        </span>
      </span>
      {!done.undone && (
        <Button look="quiet" disabled={undo.isPending} onClick={() => undo.mutate(done.id)}>
          Undo
          <span className="sr-only"> the import of {done.name}</span>
        </Button>
      )}
      {undo.error && <Failed error={undo.error} />}
    </li>
  );
}
