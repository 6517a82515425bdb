import { askAndPrint } from "./ask";

void askAndPrint("backup", process.argv.slice(2));
