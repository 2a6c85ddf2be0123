package anabion.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.error.InputException;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What stands on old parts. */
class MarkingsTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "body green end brown dot yellow | 510e3 | 0.2",
                "body red end violet dot orange tip gold | 27e3 | 0.05",
                "body yellow end violet | 470e3 | 0.2",
                "mica white red green brown silver red | 250e-12 | 0.1",
                "mica black brown black brown gold brown | 100e-12 | 0.05",
                "mica red green black black green green | 250e-12 | 0.05",
                "yellow violet orange silver | 47e3 | 0.1",
                "M47 | 0.47e6 | 0"
            })
    void markingsAreRead(String text, double value, double tolerance) {
        Decoded d = Markings.decode(text);
        assertThat(d.value()).isCloseTo(value, within(value * 1e-9));
        assertThat(d.tolerance().orElse(0)).isEqualTo(tolerance);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "body gold end brown dot red | metallic",
                "body green | body and end",
                "body green end brown spot red | no place",
                "mica white red green brown | no code of a mica",
                "mica white red mauve brown silver red | no colour",
                "body green end plaid | no colour"
            })
    void whatCannotStandOnAPartIsRefused(String text, String said) {
        assertThatThrownBy(() -> Markings.decode(text))
                .isInstanceOf(InputException.class)
                .hasMessageContaining(said);
    }

    /** The last of six dots without a type gives hundreds of volts. */
    @org.junit.jupiter.api.Test
    void sixDotsOfTheOlderCodeCarryTheirRating() {
        assertThat(Markings.decode("mica red green black black green green")
                        .rating()
                        .orElseThrow()
                        .value())
                .isEqualTo(500);
    }
}
