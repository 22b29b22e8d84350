# frozen_string_literal: true

module Fujin
  # A request or response that does not fit the contract, as a problem document.
  class ProblemError < Committee::ValidationError
    def self.response(status, title, detail, errors: nil)
      body = { type: 'about:blank', title: title, status: status, detail: detail }
      body[:errors] = errors if errors
      [status, { 'content-type' => 'application/problem+json' }, [JSON.generate(Text.told(body))]]
    end

    def render
      fault = ContractFault.new(message.to_s)
      name = fault.path.tr('._', ': ').strip
      self.class.response(
        status,
        'Something in it is not as it should be',
        Text.of('%{reject}. Nothing was stored.', reject: [name, fault.message].reject(&:empty?).join(': ')),
        errors: [{ path: fault.path, message: fault.message }]
      )
    end
  end
end
