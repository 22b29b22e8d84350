# frozen_string_literal: true

module Fujin
  # A request or response that does not fit the contract, as a problem document.
  class ProblemError < Committee::ValidationError
    def self.response(status, title, detail, errors: nil)
      body = { type: 'about:blank', title: title, status: status, detail: detail }
      body[:errors] = errors if errors
      [status, { 'content-type' => 'application/problem+json' }, [JSON.generate(body)]]
    end

    def render
      text =
        message
          .to_s
          .gsub(%r{#/paths\S*?/(requestBody|parameters)\S*?/(properties/)?}, '')
          .gsub(%r{#/components/schemas/\w+/(properties/)?}, '')
      self.class.response(
        status,
        'The request does not fit the contract',
        text,
        errors: [{ path: id.to_s, message: text }]
      )
    end
  end
end
