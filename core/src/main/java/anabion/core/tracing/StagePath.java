package anabion.core.tracing;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.RoleWords;
import anabion.core.chassis.StageRole;
import anabion.core.job.SignalKind;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/**
 * The points of a band of whose circuit nothing is known: the input of every stage. What belongs there follows from the names of the stages (textbook
 * order): sound after the detector, the intermediate frequency between mixer and detector, the carrier before.
 */
final class StagePath {
    /** The tone of a usual generator. */
    private static final double TONE = 400;
    /** At the generator's lead: for sound, and into tuned circuits, which must not be loaded. */
    private static final double SOUND = 100e-9;

    private static final double TUNED = 100e-12;

    private StagePath() {}

    /** From the end of the band to its beginning; without the last stage, whose input is the end of the one before. */
    static List<TracePoint> of(Band band) {
        List<String> stages = band.stages();
        int detector = last(stages, StageRole.DETECTOR);
        int mixer = last(stages, StageRole.MIXER);
        List<TracePoint> points = new ArrayList<>();
        for (int n = 0; n < stages.size(); n++) points.add(point(stages.get(n), signal(band, n, mixer, detector)));
        Collections.reverse(points);
        return points;
    }

    private static int last(List<String> stages, StageRole role) {
        for (int n = stages.size() - 1; n >= 0; n--)
            if (RoleWords.suggest(stages.get(n)).filter(r -> r == role).isPresent()) return n;
        return -1;
    }

    private static SignalKind signal(Band band, int at, int mixer, int detector) {
        if (band.kind() == BandKind.DISPLAY) return SignalKind.LEVEL;
        if (band.kind() == BandKind.PICK_UP || (detector >= 0 && at > detector)) return SignalKind.AF;
        if (detector < 0) return SignalKind.STAGE;
        return mixer >= 0 && at > mixer ? SignalKind.IF : SignalKind.RF;
    }

    private static TracePoint point(String stage, SignalKind signal) {
        return switch (signal) {
            case AF -> new TracePoint(stage, stage, signal, TONE, 0, SOUND, false);
            case IF, RF -> new TracePoint(stage, stage, signal, 0, 0, TUNED, false);
            case LEVEL, STAGE -> new TracePoint(stage, stage, signal, 0, 0, 0, false);
        };
    }
}
