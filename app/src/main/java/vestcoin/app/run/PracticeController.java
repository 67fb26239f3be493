package vestcoin.app.run;

import java.io.IOException;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Practice services of the installation, switched from the desk of any of its shops. */
@RestController
class PracticeController {
    /** @param from how far ahead the clock was, in seconds @param days to let pass */
    record Passing(long from, int days) {}

    private final PracticeServices practice;
    private final PracticeTime time;

    PracticeController(PracticeServices practice, PracticeTime time) {
        this.practice = practice;
        this.time = time;
    }

    @GetMapping("/api/shops/{shop}/practice/time")
    PracticeTime.Time time(@PathVariable String shop) {
        return time.time();
    }

    @PostMapping("/api/shops/{shop}/practice/time")
    PracticeTime.Time pass(@PathVariable String shop, @RequestBody Passing asked) {
        return time.pass(asked.from(), asked.days());
    }

    @GetMapping("/api/shops/{shop}/practice")
    PracticeServices.State state(@PathVariable String shop) {
        return practice.state();
    }

    @PutMapping("/api/shops/{shop}/practice")
    PracticeServices.State on(@PathVariable String shop) {
        return practice.start();
    }

    @DeleteMapping("/api/shops/{shop}/practice")
    PracticeServices.State off(@PathVariable String shop) throws IOException {
        return practice.stop();
    }
}
