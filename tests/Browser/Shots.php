<?php
namespace Tests\Browser;
final class Shots extends BrowserTestCase {
    use WorksSheets;
    protected array $size = [390, 844];
    public function testShots(): void {
        $this->signIn('tam@marram-sedge.example');
        $this->begin('Bakery van', ['wash', 'inspection']);
        $this->see('//article[@aria-label]');
        $this->browser->executeScript('[...document.querySelectorAll("article button")].filter((one) => one.textContent.trim() === "Understood").forEach((one) => one.click())');
        usleep(400000);
        $this->press('Begin'); usleep(600000);
        $this->press('Done'); usleep(800000);
        $this->browser->takeScreenshot('/tmp/s1.png');
        $this->press('How this phone works along'); usleep(300000);
        $this->browser->executeScript('document.querySelector("details.how").scrollIntoView()');
        $this->browser->takeScreenshot('/tmp/s2.png');
        $this->press('Hands-free'); usleep(600000);
        $this->browser->executeScript('window.scrollTo(0,0)');
        $this->browser->takeScreenshot('/tmp/s3.png');
        $this->browser->executeScript('localStorage.setItem("sheet-hands-free","false")');
        self::assertTrue(true);
    }
}
