/** Reads an answer table from a CSV file; what could not be read is said before anything changes. */
import { Box, Dialog, Flex, Portal, Text } from "@chakra-ui/react";
import { useState, type ReactNode } from "react";
import { api, take } from "../../api/client";
import { MOST_TABLE_BYTES } from "../../api/tables";
import type { AnswerRow, TableRead } from "../../api/types";
import { MainButton } from "../../kit/MainButton";
import { QuietButton } from "../../kit/QuietButton";
import { attempt } from "../store/commands";
import { t } from "../../words/judges";
import { useFilePicker } from "../../kit/useFilePicker";

const MENTIONED = 20;

interface Props { parts: [string, string][]; table: readonly AnswerRow[]; onTake: (rows: AnswerRow[]) => void }

/** The button that reads a file, and the question whether to take what it came to. */
export function TableFromFile({ parts, table, onTake }: Props): ReactNode {
  const picker = useFilePicker({ accept: ".csv,.txt,.tsv,text/csv", label: t("tableAsCsv"), onFiles: ([file]) => void open(file) });
  const [read, setRead] = useState<TableRead | null>(null);
  const open = (file: File): Promise<void> => attempt(async () => {
    if (file.size > MOST_TABLE_BYTES) throw new Error(t("theFileIsLargerThan", { MOST_TABLE_BYTES: MOST_TABLE_BYTES / 1e6 }));
    const found = await take(api.POST("/api/edits/table/read", { body: { parts, table: [...table], file: await inBase64(file) } }));
    if (found.refused.length || found.notes.length) setRead(found);
    else onTake(found.table);
  });
  const rows = (count: number): string => (count === 1 ? "1 row" : t("numberRows", { number: count }));
  return (
    <>
      <QuietButton size="xs" onClick={picker.open}>{t("readCsv")}</QuietButton>
      {picker.input}
      {read && (
        <Dialog.Root open role="alertdialog" onOpenChange={({ open: stays }) => { if (!stays) setRead(null); }}>
          <Portal>
            <Dialog.Backdrop />
            <Dialog.Positioner>
              <Dialog.Content bg="sheet">
                <Dialog.Header><Dialog.Title>{t("rowsCouldBeRead", { rows: rows(read.table.length) })}</Dialog.Title></Dialog.Header>
                <Dialog.Body>
                  <Listed title={t("couldNotBeRead")} lines={read.refused} />
                  <Listed title={t("worthKnowing")} lines={read.notes} />
                  <Text fontSize="13px">{table.length ? t("nothingHasChangedYetReplaced", { rows: rows(table.length) }) : t("nothingHasChangedYet")}</Text>
                </Dialog.Body>
                <Dialog.Footer>
                  <QuietButton onClick={() => setRead(null)}>{t("keepTheTableAsIt")}</QuietButton>
                  <MainButton onClick={() => { onTake(read.table); setRead(null); }}>{t("useRows", { rows: rows(read.table.length) })}</MainButton>
                </Dialog.Footer>
              </Dialog.Content>
            </Dialog.Positioner>
          </Portal>
        </Dialog.Root>
      )}
    </>
  );
}

function Listed({ title, lines }: { title: string; lines: readonly string[] }): ReactNode {
  if (!lines.length) return null;
  return (
    <Box mb="3" fontSize="13px">
      <Text fontWeight="700" mb="1">{title}</Text>
      <Flex as="ul" direction="column" gap="1" pl="4" listStyleType="disc" maxH="220px" overflowY="auto">
        {lines.slice(0, MENTIONED).map((line) => <li key={line}>{line}</li>)}
        {lines.length > MENTIONED && <li>{t("andNumberMore", { number: lines.length - MENTIONED })}</li>}
      </Flex>
    </Box>
  );
}

async function inBase64(file: File): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const parts: string[] = [];
  for (let at = 0; at < bytes.length; at += 0x8000) parts.push(String.fromCharCode(...bytes.subarray(at, at + 0x8000)));
  return btoa(parts.join(""));
}
