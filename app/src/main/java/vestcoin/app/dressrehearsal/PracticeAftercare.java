package vestcoin.app.dressrehearsal;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.Phrases;
import vestcoin.app.message.LetterBook;
import vestcoin.app.message.Messages;
import vestcoin.app.order.Dispatching;
import vestcoin.app.order.Handover;
import vestcoin.app.order.Orders;
import vestcoin.app.paper.InvoiceRules;
import vestcoin.app.paper.Issuing;
import vestcoin.app.paper.Paper;
import vestcoin.app.paper.PaperPdf;
import vestcoin.app.paper.Papers;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.Wording;
import vestcoin.core.invoice.Bill;
import vestcoin.core.message.Message;
import vestcoin.core.quote.Pricing;

/** Sends practice orders or hands them over, and reads what was written of them: papers and letters. */
@Service
class PracticeAftercare {
    private final Dispatching dispatching;
    private final Editions editions;
    private final Papers papers;
    private final Issuing issuing;
    private final Messages messages;
    private final ObjectProvider<InvoiceRules> rules;

    PracticeAftercare(
            Dispatching dispatching,
            Editions editions,
            Papers papers,
            Issuing issuing,
            Messages messages,
            ObjectProvider<InvoiceRules> rules) {
        this.dispatching = dispatching;
        this.editions = editions;
        this.papers = papers;
        this.issuing = issuing;
        this.messages = messages;
        this.rules = rules;
    }

    /** Sends what is sent and hands over what is collected. */
    WalkStep handOver(Orders.Order order, String actor) {
        if (order.sent().equals("nothing")) {
            return WalkStep.nothingToDo(WalkStep.Name.HANDED_OVER, Message.of("rehearsal.dress-nothing-leaves"));
        }
        Document document = editions.of(order.shop(), order.by()).document();
        boolean collected = Handover.of(
                        document.setup(), OrderFile.parse(order.document()), KeptQuotes.read(order.quote()))
                .filter(Handover::collected)
                .isPresent();
        if (collected) {
            dispatching.ready(order, true);
        }
        dispatching.send(order, new Dispatching.Departure(UUID.randomUUID().toString(), Set.of(), "", false), actor);
        return WalkStep.held(WalkStep.Name.HANDED_OVER);
    }

    List<Bill> bills(Orders.Order order) {
        Document document = editions.of(order.shop(), order.by()).document();
        return Bill.of(
                Pricing.priceUntraced(document.compiled(), OrderFile.parse(order.document())),
                document.setup().shop().address().country());
    }

    /**
     * Whether the papers are there, can be printed, and keep to the official rules. @param credit for what came back
     */
    WalkStep papers(Orders.Order order, boolean credit) {
        issuing.keepUp(order.id());
        List<Papers.Row> rows = papers.ofOrder(order.id());
        List<Message> wrong = new ArrayList<>();
        if (order.payable() > 0 && rows.stream().allMatch(row -> row.kind().equals("credit"))) {
            wrong.add(Message.of("rehearsal.dress-no-invoice"));
        }
        if (credit && rows.stream().noneMatch(row -> row.kind().equals("credit"))) {
            wrong.add(Message.of("rehearsal.dress-no-credit-note"));
        }
        for (Papers.Row row : rows) {
            papers.find(order.id(), row.number()).ifPresent(paper -> wrong.addAll(broken(order, paper)));
        }
        return rows.isEmpty() && wrong.isEmpty()
                ? WalkStep.nothingToDo(WalkStep.Name.PAPERS, Message.of("rehearsal.dress-nothing-to-pay"))
                : WalkStep.of(WalkStep.Name.PAPERS, wrong, Message.of("rehearsal.dress-look-at-papers"));
    }

    private List<Message> broken(Orders.Order order, Paper paper) {
        Phrases phrases =
                Wording.of(editions.of(order.shop(), order.by()).document().setup(), paper.language());
        PaperPdf.of(paper, phrases);
        return rules.getObject().broken(paper, phrases).orElse(List.of()).stream()
                .map(rule -> Message.of("rehearsal.dress-paper-breaks-rule", "paper", paper.number(), "rule", rule))
                .toList();
    }

    /**
     * Whether the letters that have to be there were written and have left; nothing while they may still be on their
     * way.
     *
     * @param credit whether something was given back
     * @param late whether they had the time they need
     */
    Optional<WalkStep> letters(Orders.Order order, boolean credit, Optional<Message> mail, boolean late) {
        List<LetterBook.LetterRecord> written = messages.ofOrder(order.id());
        Set<String> missing = new TreeSet<>(Set.of("receipt"));
        if (credit) {
            missing.add("refund");
        }
        if (!dispatching.departures(order.id()).isEmpty()) {
            missing.add("sent");
        }
        missing.removeAll(written.stream().map(LetterBook.LetterRecord::event).collect(Collectors.toSet()));
        Set<String> waiting = written.stream()
                .filter(letter -> !letter.sent())
                .map(LetterBook.LetterRecord::event)
                .collect(Collectors.toCollection(TreeSet::new));
        if (!late && !(missing.isEmpty() && waiting.isEmpty())) {
            return Optional.empty();
        }
        List<Message> wrong = new ArrayList<>();
        missing.forEach(event -> wrong.add(Message.of("rehearsal.dress-letter-not-written", "letter", event)));
        waiting.forEach(event -> wrong.add(Message.of("rehearsal.dress-letter-not-sent", "letter", event)));
        mail.ifPresent(wrong::add);
        return Optional.of(WalkStep.of(WalkStep.Name.LETTERS, wrong, Message.of("rehearsal.dress-look-at-mail")));
    }
}
