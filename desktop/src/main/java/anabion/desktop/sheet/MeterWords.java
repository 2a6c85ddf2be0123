package anabion.desktop.sheet;

/** A meter's notation as shown: {@code 20k/V} becomes {@code 20 kΩ/V}. */
public final class MeterWords {
    private MeterWords() {}

    public static String of(String meter) {
        int at = meter.indexOf("/V");
        String ohms = at < 0 ? meter : meter.substring(0, at);
        String spelled = ohms.replaceFirst("([kM])$", " $1Ω");
        return at < 0 ? spelled : spelled + "/V" + meter.substring(at + 2);
    }
}
