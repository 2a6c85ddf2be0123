package anabion.desktop.shell;

import anabion.instruments.MeterConnector;
import anabion.instruments.ScpiMeter;
import javafx.stage.Window;

/**
 * Through which the window reaches what is outside of it and of the workshop.
 *
 * @param files asks the user for files
 * @param meters finds meters
 */
public record Ports(FileChoice files, MeterConnector meters) {
    /** The system's own dialogs, and meters on the network. */
    public static Ports system(Window owner) {
        return new Ports(FileChoice.system(owner), ScpiMeter::connect);
    }
}
