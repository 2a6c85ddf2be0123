package anabion.workshop.report;

/**
 * What a workshop puts on its reports.
 *
 * @param name of the workshop, for the line of signatures; may be empty
 * @param currency written behind amounts; may be empty
 * @param taxLine one line in its own words under the costs; may be empty
 */
public record ShopDetails(String name, String currency, String taxLine) {
    public static final ShopDetails NONE = new ShopDetails("", "", "");

    /** As lines, to be kept. */
    public String text() {
        return name + "\n" + currency + "\n" + taxLine;
    }

    /** What {@link #text} wrote. */
    public static ShopDetails read(String text) {
        String[] lines = text.split("\n", -1);
        return lines.length == 3 ? new ShopDetails(lines[0], lines[1], lines[2]) : NONE;
    }
}
