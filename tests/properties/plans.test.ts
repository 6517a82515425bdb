/** One file, so that the generated seasons are planned once a run for all of them. */
import "./bare";
import "./choice";
import "./jumps";
import "./ledger";
import "./library";
import "./lines";
import "./promises";
import "./spoken";
import "./time";
