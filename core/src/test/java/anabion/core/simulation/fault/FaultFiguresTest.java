package anabion.core.simulation.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.FaultMode;
import anabion.core.chassis.PartClass;
import anabion.core.error.InputException;
import anabion.core.simulation.fault.FaultFigures.Factor;
import anabion.core.simulation.fault.FaultFigures.Severity;
import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;

/** How parts fail is data: each figure is there, has a name that is known, and is a positive number. */
class FaultFiguresTest {
    private static String shipped() throws IOException {
        try (InputStream in = FaultFigures.class.getResourceAsStream("/anabion/faults.properties")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    void everySeverityRisesOrFallsAllTheWay() {
        for (Severity s : Severity.values()) {
            double[] all = FaultFigures.standard().severities(s);
            boolean rises = all[1] > all[0];
            for (int n = 1; n < all.length; n++)
                assertThat(all[n] > all[n - 1]).as("%s %s", s, all[n]).isEqualTo(rises);
        }
    }

    @Test
    void paperLeaksOftenestOfCapacitors() {
        FaultFigures f = FaultFigures.standard();
        assertThat(f.prior(PartClass.PAPER, FaultMode.LEAKY))
                .isGreaterThan(f.prior(PartClass.ELECTROLYTIC, FaultMode.LEAKY));
        assertThat(f.prior(PartClass.FUSE, FaultMode.OPEN)).isEqualTo(f.factor(Factor.REST));
    }

    @Test
    void whatIsUnknownMissingOrNoNumberIsNamed() throws IOException {
        String good = shipped();
        refused(good + "prior.paper.sleepy = 1\n", "prior.paper.sleepy");
        refused(good.replace("factor.idle = 0.4", ""), "factor.idle");
        refused(good.replace("factor.rest = 0.25", "factor.rest = -1"), "factor.rest");
        refused(good.replace("severity.gain = 0.4", "severity.gain = much"), "severity.gain");
    }

    private static void refused(String text, String name) {
        assertThatThrownBy(() -> FaultFigures.read(new StringReader(text)))
                .isInstanceOf(InputException.class)
                .hasMessageContaining(name);
    }
}
