package anabion.core.chassis;

import anabion.core.device.DeviceLibrary;
import anabion.core.device.DeviceType;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What a part is electrically. All values SI; 0 means "not stated". */
public sealed interface Component {
    /** The kind's name in files and word keys. */
    String kind();

    /** @param tolerance as a fraction */
    record Resistor(double ohms, double tolerance, double watts) implements Component {
        @Override
        public String kind() {
            return "resistor";
        }
    }

    /** @param taper lin, log, antilog or empty */
    record Potentiometer(double ohms, String taper) implements Component {
        @Override
        public String kind() {
            return "potentiometer";
        }
    }

    /**
     * @param farads one value per section
     * @param volts the rating; the highest where sections differ
     * @param dielectric empty where it is not stated, or in a word that is not known here
     * @param ratings one per section where they differ; else empty
     */
    record Capacitor(List<Double> farads, double volts, Optional<Dielectric> dielectric, List<Double> ratings)
            implements Component {
        public Capacitor {
            farads = List.copyOf(farads);
            ratings = List.copyOf(ratings);
        }

        /** With one rating for all sections. */
        public Capacitor(List<Double> farads, double volts, Optional<Dielectric> dielectric) {
            this(farads, volts, dielectric, List.of());
        }

        /** @param section from 1 */
        public double volts(int section) {
            return section <= ratings.size() ? ratings.get(section - 1) : volts;
        }

        /** With other capacitances of its sections, in farads. */
        public Capacitor withFarads(List<Double> changed) {
            return new Capacitor(changed, volts, dielectric, ratings);
        }

        /** Whether it is of a dielectric; false where none is stated. */
        public boolean is(Dielectric kind) {
            return dielectric.filter(kind::equals).isPresent();
        }

        @Override
        public String kind() {
            return "capacitor";
        }
    }

    /** Coils, chokes and transformers: anything wound. */
    record Windings(List<Winding> windings) implements Component {
        public Windings {
            windings = List.copyOf(windings);
        }

        /** Whether at least two of them have nominal volts. */
        public boolean isMainsTransformer() {
            return windings.stream().filter(w -> w.volts() > 0).count() > 1;
        }

        @Override
        public String kind() {
            return "winding";
        }
    }

    /**
     * A tube, transistor or diode.
     *
     * @param base code of the socket or case; empty when not known
     * @param functions pin to function, as in the device library
     * @param own figures that the chassis brings along; empty where the shipped library's hold
     */
    record Device(
            DeviceKind deviceKind, String type, String base, Map<String, String> functions, Optional<DeviceType> own)
            implements Component {
        public Device {
            functions = java.util.Collections.unmodifiableMap(new java.util.LinkedHashMap<>(functions));
        }

        /** A device without a type of its own. */
        public Device(DeviceKind deviceKind, String type, String base, Map<String, String> functions) {
            this(deviceKind, type, base, functions, Optional.empty());
        }

        /** Every pin with what it is called on data sheets and screens. */
        public Map<String, String> labelled() {
            Map<String, String> all = new java.util.LinkedHashMap<>(functions);
            known().ifPresent(t -> t.labels().forEach(all::replace));
            return all;
        }

        /** Its figures: those it brings along, else those of the shipped library. */
        public Optional<DeviceType> known() {
            return own.or(() -> DeviceLibrary.standard().find(type));
        }

        @Override
        public String kind() {
            return deviceKind.code();
        }
    }

    record Lamp(double volts, double amperes) implements Component {
        @Override
        public String kind() {
            return "lamp";
        }
    }

    /**
     * A switch. Without stated contacts, one with two terminals is closed in every position but {@code off}.
     *
     * @param positions the names of its positions, such as bands
     */
    record Switch(List<String> positions, List<Contact> contacts) implements Component {
        public Switch {
            positions = List.copyOf(positions);
            contacts = List.copyOf(contacts);
        }

        @Override
        public String kind() {
            return "switch";
        }
    }

    record Fuse(double amperes) implements Component {
        @Override
        public String kind() {
            return "fuse";
        }
    }

    record Speaker(double ohms) implements Component {
        @Override
        public String kind() {
            return "speaker";
        }
    }

    /**
     * A battery: terminal 1 is its positive pole.
     *
     * @param ohms internal resistance; 0 when not known
     */
    record Battery(double volts, double ohms) implements Component {
        @Override
        public String kind() {
            return "battery";
        }
    }

    /** Something else with terminals: a plug, a socket, a moulded block. */
    record Other(String what) implements Component {
        @Override
        public String kind() {
            return "other";
        }
    }
}
