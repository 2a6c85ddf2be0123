package anabion.workshop.report;

import anabion.core.json.Coded;
import java.util.Locale;

/** The sheets that a report is printed on. */
public enum Paper implements Coded {
    A4("A4"),
    LETTER("letter");

    private final String css;

    Paper(String css) {
        this.css = css;
    }

    /** Its name in a style sheet. */
    String css() {
        return css;
    }

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
