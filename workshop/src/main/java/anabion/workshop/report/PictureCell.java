package anabion.workshop.report;

import java.util.ArrayList;
import java.util.List;

/**
 * A photo in its row.
 *
 * @param share of the width, in per cent
 */
public record PictureCell(String caption, String data, String lost, boolean there, int share) {
    /** Up to so many photos stand two in a row, more three. */
    private static final int FEW = 6;

    static List<List<PictureCell>> rows(List<RecordPage.Picture> all) {
        int columns = all.size() <= FEW ? 2 : 3;
        List<List<PictureCell>> rows = new ArrayList<>();
        for (int n = 0; n < all.size(); n += columns)
            rows.add(all.subList(n, Math.min(all.size(), n + columns)).stream()
                    .map(p -> new PictureCell(p.caption(), p.data(), p.lost(), p.there(), 100 / columns))
                    .toList());
        return rows;
    }
}
