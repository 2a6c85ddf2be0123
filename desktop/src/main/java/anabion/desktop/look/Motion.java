package anabion.desktop.look;

/** Whether things may move. Off when the user asks for less motion. */
public final class Motion {
    private static volatile boolean wanted = true;

    private Motion() {}

    public static boolean wanted() {
        return wanted;
    }

    public static void want(boolean motion) {
        wanted = motion;
    }
}
