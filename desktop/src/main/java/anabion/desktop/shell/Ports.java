package anabion.desktop.shell;

import anabion.desktop.instrument.InstrumentDesk.BenchStarter;
import anabion.instruments.InstrumentConnector;
import anabion.instruments.process.BenchProcess;
import anabion.instruments.scpi.ScpiConnector;
import javafx.stage.Window;

/**
 * Through which the window reaches what is outside of it and of the workshop.
 *
 * @param files asks the user for files
 * @param instruments finds instruments
 * @param benches starts simulated benches
 */
public record Ports(FileChoice files, InstrumentConnector instruments, BenchStarter benches) {
    /** The system's own dialogs, and instruments on the network and on serial lines. */
    public static Ports system(Window owner) {
        return new Ports(
                FileChoice.system(owner),
                new ScpiConnector(),
                (chassis, condition) -> BenchProcess.start(chassis, condition, 1));
    }
}
