package anabion.core.diagnosis.prediction;

import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import java.util.List;

/** What is asked of all severities of a fault at once. */
final class SeverityAnswers {
    private SeverityAnswers() {}

    /** Volts and currents under a setting. */
    static SeverityBisection.Answer shown(Setting setting) {
        return new SeverityBisection.Answer() {
            @Override
            public boolean known(FaultState state) {
                return state.knows(setting);
            }

            @Override
            public void compute(Simulator e, FaultState state) {
                state.shown(e, setting);
            }

            @Override
            public boolean settles(FaultState least, List<FaultState> between, FaultState most) {
                boolean alike = least.seenInVolts() && least.showsAlike(most, setting);
                if (alike) between.forEach(s -> s.showsLike(least, setting));
                return alike;
            }
        };
    }

    /** What a band lets through, under a setting. */
    static SeverityBisection.Answer heard(Setting loud, Measurement.Listen listened) {
        return new SeverityBisection.Answer() {
            @Override
            public boolean known(FaultState state) {
                return state.heard(listened);
            }

            @Override
            public void compute(Simulator e, FaultState state) {
                state.heard(e, loud, listened);
            }

            @Override
            public boolean settles(FaultState least, List<FaultState> between, FaultState most) {
                boolean alike = least.soundsAlike(most, listened);
                if (alike) between.forEach(s -> s.soundsLike(least, listened));
                return alike;
            }
        };
    }
}
