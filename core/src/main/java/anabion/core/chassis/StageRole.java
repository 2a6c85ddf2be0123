package anabion.core.chassis;

/** The stages at which a signal changes its kind, where no circuit tells them: the carrier to the intermediate frequency, that to sound. */
public enum StageRole {
    MIXER,
    DETECTOR
}
