import { Box, Heading, Stack } from "@chakra-ui/react";
import { type ReactNode } from "react";
import { PageHeader } from "../../kit/PageHeader";
import { Mail } from "./Mail";
import { Password } from "./Password";
import { Sessions } from "./Sessions";
import { Tokens } from "./Tokens";
import { t } from "../../words/app";

/** What belongs to an author: password and mail, sessions, and personal tokens for scripts. */
export default function Account(): ReactNode {
  return (
    <Box minH="100%" bg="table">
      <PageHeader />
      <Stack as="main" maxW="760px" mx="auto" p="8" gap="5">
        <Heading as="h1" fontSize="28px">{t("yourAccount")}</Heading>
        <Password />
        <Mail />
        <Sessions />
        <Tokens />
      </Stack>
    </Box>
  );
}
