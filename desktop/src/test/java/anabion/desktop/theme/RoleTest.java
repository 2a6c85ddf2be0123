package anabion.desktop.theme;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

class RoleTest {
    /** Relative luminance and contrast as WCAG 2 defines them. */
    static double contrast(String one, String other) {
        double a = luminance(one);
        double b = luminance(other);
        return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
    }

    private static double luminance(String hex) {
        double[] weights = {0.2126, 0.7152, 0.0722};
        double sum = 0;
        for (int i = 0; i < 3; i++) {
            double c = Integer.parseInt(hex.substring(1 + 2 * i, 3 + 2 * i), 16) / 255.0;
            sum += weights[i] * (c <= 0.03928 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4));
        }
        return sum;
    }

    @Test
    void theFormulaIsRight() {
        assertThat(contrast("#000000", "#FFFFFF")).isEqualTo(21);
        assertThat(contrast("#777777", "#FFFFFF")).isBetween(4.47, 4.49);
    }

    @Test
    void everyTextIsReadableOnEveryGroundInBothThemes() {
        for (Role.Pairing p : Role.pairings()) {
            for (boolean dim : new boolean[] {false, true}) {
                assertThat(contrast(p.text().hex(dim), p.ground().hex(dim)))
                        .as("%s on %s, dim %s", p.text(), p.ground(), dim)
                        .isGreaterThanOrEqualTo(4.5);
            }
        }
    }

    @Test
    void theStyleSheetNamesRolesOnlyAndEveryTextRoleIsPaired() throws IOException {
        String css;
        try (InputStream in = Role.class.getResourceAsStream("/anabion/theme/anabion.css")) {
            css = new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
        assertThat(Pattern.compile("#[0-9A-Fa-f]{3,8}\\b").matcher(css).find())
                .as("no literal colours")
                .isFalse();
        Matcher fills = Pattern.compile("-fx-text-fill: (-[a-z-]+)").matcher(css);
        while (fills.find()) {
            String name = fills.group(1);
            assertThat(Role.pairings())
                    .as("%s is checked for contrast", name)
                    .anyMatch(p -> p.text().variable().equals(name) || name.equals("-dial"));
        }
    }
}
