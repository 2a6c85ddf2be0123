package anabion.core.align;

import anabion.core.json.Coded;
import java.util.Locale;

/** How the generator reaches a set. */
public enum Lead implements Coded {
    /** Through a capacitor that keeps direct volts from it: 100 nF on the intermediate frequency of AM. */
    BLOCKING_CAPACITOR,
    /** The same for megahertz: 1 nF. */
    SMALL_CAPACITOR,
    /** 200 pF, 25 ohms and 20 microhenries in series, as usual for broadcast aerials. */
    DUMMY_AERIAL,
    /** The capacitance of a car's rod and its cable: 30 pF in series, 50 pF across the socket. */
    CAR_AERIAL,
    /** A turn of wire, a good arm's length from the set's own rod or frame. */
    LOOP,
    /** The generator's own ohms at a dipole's socket. */
    DIPOLE_SOCKET;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
