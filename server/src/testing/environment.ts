jest.setTimeout(60_000);
