package anabion.core.signal;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.error.InputException;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.Detector;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.spice.SpiceNetlist;
import java.util.Optional;
import java.util.stream.Stream;

/** The small-signal network of a set as a deck, driven at one net. */
public final class SmallSignalNetlist {
    private SmallSignalNetlist() {}

    /**
     * A sweep about the setting's operating point: sound to the speaker, or the intermediate frequency to the detector.
     *
     * @param domain {@link Domain#AF} or {@link Domain#IF}
     * @param net that the generator drives
     */
    public static String of(Chassis chassis, Setting setting, Band band, Domain domain, String net) {
        Networks networks = new Networks(
                chassis, setting, new Simulator().solve(chassis, setting.withBand(band.name())), Optional.of(band));
        return SpiceNetlist.alternating(
                chassis,
                setting.withBand(band.name()),
                networks::replaced,
                networks::fill,
                probe(chassis, band, domain, net));
    }

    /** Where a generator stands when nobody says: at the first audio grid, or at the converter's plate. */
    public static String usual(Chassis chassis, Band band, Domain domain) {
        return SignalPath.of(chassis, band).stages().stream()
                .filter(a -> domain == Domain.AF ? a.before() == Domain.AF : a.after() == Domain.IF)
                .map(a -> domain == Domain.AF ? a.inputNet() : a.outputNet())
                .findFirst()
                .orElseThrow(() -> InputException.at(band.name())
                        .because("no stage of this band amplifies there")
                        .so("name its stages, or say where with --at"));
    }

    static SpiceNetlist.AcPorts probe(Chassis chassis, Band band, Domain domain, String net) {
        if (domain == Domain.AF) {
            String speaker = chassis.parts().stream()
                    .filter(p -> p.component() instanceof Component.Speaker)
                    .flatMap(p -> Stream.ofNullable(p.nets().get("1")))
                    .findFirst()
                    .orElse(net);
            return new SpiceNetlist.AcPorts(
                    net, speaker, Generator.SOUND.ohms(), Generator.SOUND.farads(), Frequencies.TONE, 100, 10000, 100);
        }
        double middle = Frequencies.intermediate(chassis, Optional.of(band)).orElse(465e3);
        String fed = Detector.of(chassis, band).map(Detector::fed).orElse(net);
        double span = middle / 20;
        return new SpiceNetlist.AcPorts(
                net, fed, Generator.RADIO.ohms(), Generator.RADIO.farads(), middle, middle - span, middle + span, 101);
    }
}
