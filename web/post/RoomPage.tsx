/** The demo's post room: what would have been mailed, and a switch for how reports are answered. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { api, take } from "../api/client";
import type { components } from "../api/api";
import { Choose } from "../kit/Choose";
import { Empty } from "../kit/Empty";
import { PageHeader } from "../kit/PageHeader";
import { sayError } from "../kit/toaster";
import { ago } from "../kit/units";
import { t } from "../words/post";

type Letter = components["schemas"]["LetterOut"];

const MANNERS = [["up", t("manner_up")], ["slow", t("manner_slow")], ["down", t("manner_down")], ["refuses", t("manner_refuses")]] as const;
const OFTEN_MS = 3_000;

/** The simulated post room. */
export default function RoomPage(): ReactNode {
  const queries = useQueryClient();
  const room = useQuery({ queryKey: ["post-room"], queryFn: () => take(api.GET("/api/post-room")), refetchInterval: OFTEN_MS });
  const turn = useMutation({
    mutationFn: (manner: (typeof MANNERS)[number][0]) => take(api.PUT("/api/post-room", { body: { manner } })),
    onSuccess: (now) => queries.setQueryData(["post-room"], now), onError: sayError,
  });
  return (
    <Box minH="100%" bg="table">
      <PageHeader />
      <Box as="main" maxW="900px" mx="auto" px="6" py="6">
        <Heading as="h1" fontSize="28px">{t("postRoom")}</Heading>
        <Text color="quiet" mb="4">{t("postRoomHelp")}</Text>
        {room.error && <Text role="alert">{room.error.message}</Text>}
        {room.data && (
          <>
            <Flex bg="sheet" borderWidth="1px" borderRadius="card" px="4" py="3" gap="6" align="center" wrap="wrap" mb="5">
              <Box w="330px"><Choose label={t("answersNow")} value={room.data.manner} options={MANNERS} onChange={(manner) => turn.mutate(manner)} /></Box>
              <Text color="quiet" role="status">{t("sentReports", { count: room.data.reports })}</Text>
            </Flex>
            <Heading as="h2" fontSize="18px" mb="2">{t("inbox")}</Heading>
            {room.data.letters.length === 0 && <Empty title={t("inboxEmpty")}>{t("inboxEmptyHelp")}</Empty>}
            <Flex as="ul" direction="column" gap="3" listStyleType="none">{room.data.letters.map((letter) => <Mail key={letter.id} letter={letter} />)}</Flex>
          </>
        )}
      </Box>
    </Box>
  );
}

function Mail({ letter }: { letter: Letter }): ReactNode {
  return (
    <Box as="li" bg="sheet" borderWidth="1px" borderRadius="card" px="4" py="3" data-letter={letter.id}>
      <Flex gap="3" align="baseline" justify="space-between">
        <Heading as="h3" fontSize="15px" overflowWrap="anywhere">{letter.subject}</Heading>
        <Text color="quiet" fontSize="13px" whiteSpace="nowrap">{ago(letter.sent)}</Text>
      </Flex>
      <Text color="quiet" fontSize="13px" overflowWrap="anywhere">{t("letterTo", { to: letter.to })} · {t("letterFrom", { sender: letter.sender })}</Text>
      <Text as="pre" fontFamily="body" fontSize="13.5px" whiteSpace="pre-wrap" overflowWrap="anywhere" pt="2">{letter.body}</Text>
    </Box>
  );
}
