/** The top of the pages around the workbench: shelf, practice LMS, account. */
import { Box, Flex, Link as ChakraLink, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { NavLink } from "react-router";
import { UserMenu } from "./UserMenu";
import { t } from "../words/kit";

/** The bar on top of pages that are no course. */
export function PageHeader(): ReactNode {
  return (
    <Flex
      as="header" h="56px" px="6" align="center" gap="8" bg="paper" borderBottomWidth="1px"
      position="sticky" top="0" zIndex="10"
    >
      <Flex align="center" gap="2.5" aria-hidden>
        <img src={new URL("../app/icon.svg", import.meta.url).href} width={26} height={26} alt="" />
        <Text fontFamily="heading" fontWeight="700" fontSize="19px">{t("zigzag")}</Text>
      </Flex>
      <Flex as="nav" gap="1" aria-label={t("places")}>
        <Place to="/">{t("shelf")}</Place>
        <Place to="/banks">{t("questionBanks")}</Place>
        <Place to="/practice">{t("practiceLms")}</Place>
      </Flex>
      <Box flex="1" />
      <UserMenu />
    </Flex>
  );
}

function Place({ to, children }: { to: string; children: ReactNode }): ReactNode {
  return (
    <ChakraLink
      asChild px="3" py="1.5" borderRadius="card" color="quiet"
      _hover={{ bg: "spruce.soft", textDecoration: "none" }}
      css={{ "&[aria-current=page]": { color: "spruce", fontWeight: 700, bg: "spruce.soft" } }}
    >
      <NavLink to={to} end={to === "/"}>{children}</NavLink>
    </ChakraLink>
  );
}
