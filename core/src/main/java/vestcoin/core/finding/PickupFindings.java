package vestcoin.core.finding;

import vestcoin.core.message.Message;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.setup.Setup;

/** What a seller should know about pickup and local delivery. */
final class PickupFindings {
    private PickupFindings() {}

    static void add(Setup setup, Findings.At at) {
        for (Pickup.Spot spot : setup.pickup().places()) {
            String path = "pickup/places/" + spot.id();
            if (spot.hours().isEmpty()) {
                at.look(
                        "pickup-without-hours",
                        path + "/hours",
                        Message.of("finding.nobody-can-collect-at-has-no-opening", "spot", spot.name()),
                        Message.of("finding.add-hours"));
            }
            int slot = spot.slotMinutes().orElse(0);
            if (!spot.hours().isEmpty() && spot.hours().stream().allMatch(span -> minutes(span) < slot)) {
                at.look(
                        "slot-longer-than-hours",
                        path + "/slotMinutes",
                        Message.of("finding.slot-of-minutes-fits-into-none-of", "slot", slot, "spot", spot.name()),
                        Message.of("finding.shorten-slot-or-lengthen-hours"));
            } else if (!spot.hours().isEmpty() && spot.notice() * 60 > latest(spot)) {
                at.look(
                        "notice-beyond-days",
                        path + "/noticeHours",
                        Message.of(
                                "finding.no-slot-at-can-ever-offered-notice",
                                "spot",
                                spot.name(),
                                "notice",
                                spot.notice()),
                        Message.of("finding.shorten-notice-or-offer-more-days"));
            }
        }
        setup.pickup()
                .local()
                .filter(local -> local.from().or(() -> setup.shop().point()).isEmpty())
                .ifPresent(local -> at.look(
                        "local-without-point",
                        "pickup/local/from",
                        Message.of("finding.nobody-offered-shop-has-no-point-on", "local", local.name()),
                        Message.of("finding.set-where-sets-out-from")));
    }

    /**
     * Minutes from the first moment of a day on which somebody orders to the start of the last slot that day's order
     * can have.
     */
    private static int latest(Pickup.Spot spot) {
        int last = 0;
        for (vestcoin.core.pickup.Hours span : spot.hours()) {
            int length = spot.slotMinutes().orElse(minutes(span));
            if (length > 0 && length <= minutes(span)) {
                last = Math.max(last, span.from().toSecondOfDay() / 60 + (minutes(span) / length - 1) * length);
            }
        }
        return 24 * 60 * spot.daysAhead() + last;
    }

    private static int minutes(vestcoin.core.pickup.Hours span) {
        int to = span.to().equals(java.time.LocalTime.MIDNIGHT)
                ? 24 * 60
                : span.to().toSecondOfDay() / 60;
        return to - span.from().toSecondOfDay() / 60;
    }
}
