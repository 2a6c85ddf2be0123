package anabion.core.reading.pattern;

import anabion.core.reading.Board;
import anabion.core.reading.Finding;
import java.util.List;

/** One way in which readings speak. Pure: the same board gives the same findings. */
public interface Pattern {
    List<Finding> look(Board board);

    /** All patterns, supply first, since nothing else means anything until the rail is right. */
    static List<Pattern> all() {
        return List.of(
                new AllRails(),
                new PositiveGrid(),
                new ScreenVolts(),
                new CathodeVolts(),
                new PlateVolts(),
                new Oscillator(),
                new IdleControl(),
                new TransistorVolts());
    }
}
