/** A button that sends a file to be worked on, with a way to stop the sending. */
import { Flex, Progress } from "@chakra-ui/react";
import { useMutation } from "@tanstack/react-query";
import { Upload } from "lucide-react";
import { useRef, useState, type ReactNode } from "react";
import { upload } from "../../api/client";
import type { Job } from "../../api/jobs";
import { MainButton } from "../MainButton";
import { QuietButton } from "../QuietButton";
import { sayError } from "../toaster";
import { follow } from "./work";
import { t } from "../../words/kit";
import { useFilePicker } from "../useFilePicker";

interface Props {
  /** Where the file is sent. The answer is the job that works on it. */
  address: string;
  /** Extensions of files that fit, as in `accept` of an input. */
  accept: string;
  /** What the file is, for those who do not see the button. */
  file: string;
  main?: boolean;
  onDone: (job: Job) => void;
  children: ReactNode;
}

/** A button that sends a chosen file, and shows how far that is. */
export function UploadButton({ address, accept, file, main = false, onDone, children }: Props): ReactNode {
  const stop = useRef<AbortController | null>(null);
  const [sending, setSending] = useState<number | null>(null);
  const send = useMutation({
    mutationFn: (chosen: File) => {
      stop.current = new AbortController();
      setSending(0);
      const sent = upload<Job>(address, chosen, setSending, stop.current.signal).finally(() => setSending(null));
      return follow(sent);
    },
    onSuccess: onDone, onError: sayError,
  });
  const picker = useFilePicker({ accept, label: file, onFiles: ([chosen]) => send.mutate(chosen) });
  const Button = main ? MainButton : QuietButton;
  if (sending !== null) {
    return (
      <Flex align="center" gap="3" w="240px">
        <Progress.Root value={sending * 100} size="sm" flex="1" aria-label={t("sendingTheFile", { file })}>
          <Progress.Track><Progress.Range bg="spruce" /></Progress.Track>
        </Progress.Root>
        <QuietButton onClick={() => stop.current?.abort()}>{t("stop")}</QuietButton>
      </Flex>
    );
  }
  return (
    <>
      {picker.input}
      <Button onClick={picker.open} loading={send.isPending}>
        <Upload size={16} /> {children}
      </Button>
    </>
  );
}
