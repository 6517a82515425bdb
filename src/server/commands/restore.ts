import { askAndPrint } from "./ask";

void askAndPrint("restore", process.argv.slice(2));
