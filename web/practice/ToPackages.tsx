import { Link as ChakraLink } from "@chakra-ui/react";
import { ArrowLeft } from "lucide-react";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { t } from "../words/practice";

/** The way back to all packages, above the heading of a page. */
export function ToPackages(): ReactNode {
  return (
    <ChakraLink asChild color="spruce" mb="2">
      <Link to="/practice"><ArrowLeft size={15} />{" "}{t("allPackages")}</Link>
    </ChakraLink>
  );
}
