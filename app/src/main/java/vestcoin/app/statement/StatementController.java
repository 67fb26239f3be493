package vestcoin.app.statement;

import java.security.Principal;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Bank statements at the desk. */
@RestController
class StatementController {
    private final Statements statements;

    StatementController(Statements statements) {
        this.statements = statements;
    }

    @GetMapping("/api/shops/{shop}/statements")
    List<Statements.Line> latest(@PathVariable String shop) {
        return statements.latest(shop);
    }

    @PostMapping(
            path = "/api/shops/{shop}/statements",
            consumes = {"text/csv", "application/xml"})
    Statements.StatementResult take(@PathVariable String shop, @RequestBody String file, Principal who) {
        return statements.take(shop, StatementFile.parse(file), who.getName());
    }
}
