package anabion.instruments.scpi;

import anabion.core.job.SignalKind;
import anabion.instruments.Hands;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** The hands, eyes and ears of a simulated bench, in commands of its own. */
final class ScpiHands extends ScpiInstrument implements Hands {
    /** Seconds of the set that a bench computes well within the time of an answer. */
    private static final double PIECE = 5;

    ScpiHands(ScpiSession session) {
        super(session);
    }

    @Override
    public void probe(String plus, String minus) {
        session().tell("HAND:PROB " + quoted(plus) + "," + quoted(minus));
    }

    @Override
    public void inject(String point, SignalKind signal) {
        session().tell("HAND:INJ " + quoted(point) + "," + signal.code());
    }

    @Override
    public void tune(double hertz) {
        session().tell(String.format(Locale.ROOT, "HAND:TUNE %.1f", hertz));
    }

    @Override
    public void adjust(String letter, double turns) {
        session().tell("HAND:ADJ " + quoted(letter) + String.format(Locale.ROOT, ",%.4f", turns));
    }

    @Override
    public void band(String name) {
        session().tell("HAND:BAND " + quoted(name));
    }

    @Override
    public void lamp(Optional<String> words) {
        session().tell("HAND:LAMP " + quoted(words.orElse("")));
    }

    @Override
    public void lift(List<String> parts) {
        session().tell("HAND:LIFT " + quoted(String.join(" ", parts)));
    }

    @Override
    public void renew(String part) {
        session().tell("HAND:REN " + quoted(part));
    }

    /** In pieces: the bench computes what happens meanwhile, and is given the time of an answer for each. */
    @Override
    public void pause(double seconds) {
        for (double left = seconds; left > 0; left -= PIECE)
            session().tell(String.format(Locale.ROOT, "HAND:PAUS %.3f", Math.min(left, PIECE)));
    }

    @Override
    public String listen() {
        return plain(session().ask("HAND:EAR?"));
    }

    @Override
    public List<Seen> look() {
        return Stream.of(plain(session().ask("HAND:LOOK?")).split(";"))
                .flatMap(s -> Seen.parse(s).stream())
                .toList();
    }

    @Override
    public boolean test(String part) {
        return plain(session().ask("HAND:TEST? " + quoted(part))).equals("good");
    }

    private static String quoted(String text) {
        return '"' + text.replace("\"", "\"\"") + '"';
    }

    private static String plain(String answer) {
        return answer.replaceAll("^\"|\"$", "");
    }
}
